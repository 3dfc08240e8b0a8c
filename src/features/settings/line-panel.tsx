'use client'

import Link from 'next/link'
import { useRef, useState } from 'react'
import { isOfSide } from '@/core/checks/finding'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { Setting, Side } from '@/core/model/types'
import { plannedSlots, type Plan } from '@/core/plan/plan'
import {
  bankRow,
  bodyTagOf,
  describeRow,
  idsOf,
  localRow,
  rowValue,
  showRow,
  variedOf,
  type LineStanding,
  type RowId,
} from '@/core/plan/rows'
import type { InForce } from '@/core/settings/in-force'
import { isPlanned, plannedInLine } from '@/core/settings/mark'
import { stateWords, type Standing } from '@/core/settings/standing'
import { cellWords } from '@/core/settings/words'
import { commonSettings } from '@/core/vocabulary/catalogue'
import type { Touches } from '@/core/vocabulary/common'
import { subjects } from '@/core/vocabulary/subjects'
import type { Value } from '@/core/vocabulary/values'
import { FindingList, SettingLabel, useAnswer, useDesk, usePlan } from '@/features/desk'
import { Offer } from '@/ui/button'
import { later } from '@/ui/later'
import { EnabledBy } from './enabling-list'
import { LineNotes } from './line-notes'
import type { SettingsKnown } from './use-settings-station'
import { ValueBox } from './value-box'

const SubjectQuestions = later(() => import('./line-questions').then((one) => one.SubjectQuestions))
const LineQuestions = later(() => import('./line-questions').then((one) => one.LineQuestions))

/** The line in hand: what it is, its value in every place, what is said of it, what follows, and what owners think. */
export function LinePanel({ known, onBack }: { known: SettingsKnown; onBack: (from: HTMLElement) => void }) {
  const { line, model, standings, about } = known
  const panel = useRef<HTMLElement>(null)
  const standing = line && standings.get(line.id)
  if (!line || !standing) return <NothingInHand known={known} />
  const setting = lookup(model).settings.get(line.id)
  const findings = about.get(line.id) ?? []
  const back = () => panel.current && onBack(panel.current)
  return (
    <section
      ref={panel}
      aria-label={line.label}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) back()
      }}
      className="grid gap-3 border border-pan bg-sheet px-4 py-3"
    >
      <header>
        <h2 className="font-head text-lead font-semibold">
          {setting ? <SettingLabel setting={setting} /> : line.label}
        </h2>
        <p className="text-small text-silt">{line.address ?? 'In no menu.'}</p>
        {setting && <Plain setting={setting} />}
        {line.warning !== null && <p className="mt-1 text-lichen">{line.warning}</p>}
      </header>
      {line.opens !== null && <ToItsStation known={known} opens={line.opens} />}
      {line.isByHand && <p>It is set by hand on the body: no plan, bank or file holds it.</p>}
      {setting && !line.isByHand && (
        <Values key={line.id} setting={setting} standing={standing} known={known} onDone={back} />
      )}
      {findings.length > 0 && (
        <div className="grid gap-2">
          <FindingList findings={findings} />
        </div>
      )}
      <Said line={line.id} standing={standing} known={known} />
      <LineNotes key={`${line.id} notes`} line={line.id} notes={standing.notes} />
      {setting && <LineQuestions key={`${line.id} questions`} setting={setting} />}
    </section>
  )
}

function NothingInHand({ known: { counts, all, goToOpen, narrowing } }: { known: SettingsKnown }) {
  const subject = subjects.find(({ id }) => id === narrowing.subject)
  if (subject) return <SubjectQuestions key={subject.id} subject={subject} />
  return (
    <section aria-label="No line in hand" className="grid gap-2 border bg-sheet px-4 py-3">
      <h2 className="font-head text-lead font-semibold">Every line, once</h2>
      <p>
        Take a line and plan its value, or say that it stays as delivered, or that it is not in your work.
        When no line is left <i>not looked at</i>, the plan is the camera’s whole configuration.
      </p>
      <p className="text-silt">
        {counts.open === 0
          ? `All ${all} lines are looked at.`
          : `${counts.open} of ${all} are not looked at.`}
      </p>
      {counts.open > 0 && (
        <p>
          <Offer onClick={goToOpen}>Begin with the first of them</Offer>
        </p>
      )}
    </section>
  )
}

const touchWords: Readonly<Record<Touches, string>> = {
  raw: 'RAW files',
  still: 'processed pictures',
  movie: 'films',
  preview: 'finder and screen',
  histogram: 'histogram',
  meter: 'metering',
  sound: 'sound',
  hand: 'handling',
}

/** In a sentence, and what it touches. */
function Plain({ setting: { means } }: { setting: Setting }) {
  const common = means === null ? undefined : commonSettings.get(means)
  if (!common) return <p className="text-small text-silt">A setting of this model alone.</p>
  return (
    <p className="text-small text-silt">
      {common.plain} Touches {common.touches.map((one) => touchWords[one]).join(', ')}.
    </p>
  )
}

function ToItsStation({
  known: { planId },
  opens,
}: {
  known: SettingsKnown
  opens: 'keys' | 'grids' | 'ownMenu' | 'holdSets'
}) {
  const [path, words] = {
    keys: ['controls', 'The keys are planned at Controls'],
    grids: ['menus', 'The function menu is planned at Menus'],
    ownMenu: ['menus', 'Your own menu is planned at Menus'],
    holdSets: ['banks', 'Hold sets are planned at Banks'],
  }[opens]
  return (
    <p>
      <Link href={`/plans/${planId}/${path}`} className="font-semibold text-brine underline">
        {words}
      </Link>
    </p>
  )
}

/** Its value in every cell of base, then in every bank that is used and may store it. */
function Values({
  setting,
  standing,
  known,
  onDone,
}: {
  setting: Setting
  standing: Standing
  known: SettingsKnown
  /** Told when Enter has kept a value. */
  onDone: () => void
}) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = known
  const inForce = useAnswer<'inForce'>({ kind: 'inForce', setting: setting.id }) ?? []
  const now = inForce.filter(({ side }) => isOfSide(setting, side))
  const delivered = showValue(setting.domain, setting.factory)
  const keep = (row: RowId, value: Value | null) =>
    desk.set(plannedInLine(desk.getView().plan, setting.id, row, value))
  const cells = cellWords(model, setting, standing.cells)
  const slots = plannedSlots(model, plan).filter(({ family }) => family === setting.storedBy)
  const tags = setting.place === 'local' ? bodyTags(plan) : []
  const own = tags.map((tag) => ({ tag, row: localRow(tag, setting.id) }))
  const others = standing.elsewhere.filter(
    (row) => variedOf(row) === null && !own.some((one) => one.row === row),
  )
  return (
    <div className="grid gap-2">
      {cells.map(({ row, where, value }) => {
        const of = now.filter(({ side }) => cells.length === 1 || where === side || where === 'both sides')
        return (
          <div key={row} data-cell={row} className="grid gap-0.5">
            <div className="grid grid-cols-[7rem_minmax(0,1fr)] items-start gap-2">
              <span className="pt-1.5 text-small text-silt">{where === '' ? 'In base' : where}</span>
              <ValueBox
                setting={setting}
                label={`${setting.label}${where === '' ? '' : `, ${where}`}`}
                value={value}
                inherits={`${delivered}, as delivered`}
                refused={of[0]?.refused ?? []}
                onKeep={(next) => keep(row, next)}
                onDone={onDone}
              />
            </div>
            {of.map((one) => (
              <Consequence key={one.side} now={one} setting={setting} sides={of.length} known={known} />
            ))}
          </div>
        )
      })}
      {slots.map(({ family, slot, name }) => {
        const row = bankRow(family, slot, setting.id)
        return (
          <div key={row} className="grid grid-cols-[7rem_minmax(0,1fr)] items-start gap-2">
            <span className="pt-1.5 text-small text-silt">bank {name}</span>
            <ValueBox
              setting={setting}
              label={`${setting.label}, bank ${name}`}
              value={rowValue(plan.rows, row)}
              inherits="as base"
              refused={[]}
              onKeep={(next) => keep(row, next)}
              onDone={onDone}
            />
          </div>
        )
      })}
      {own.map(({ tag, row }) => (
        <div key={row} className="grid grid-cols-[7rem_minmax(0,1fr)] items-start gap-2">
          <span className="pt-1.5 text-small text-silt">body {tag}</span>
          <ValueBox
            setting={setting}
            label={`${setting.label}, body ${tag}`}
            value={rowValue(plan.rows, row)}
            inherits="as base"
            refused={[]}
            onKeep={(next) => keep(row, next)}
            onDone={onDone}
          />
        </div>
      ))}
      {others.map((row) => (
        <p key={row} className="flex justify-between gap-2 text-small">
          <span className="text-silt">{describeRow(model, row)}</span>
          <span className="font-mono font-semibold text-pan">
            {showRow(model, row, rowValue(plan.rows, row))}
          </span>
        </p>
      ))}
    </div>
  )
}

/** The tags of the bodies that a plan speaks of. */
function bodyTags({ rows }: Plan): string[] {
  return [...new Set(idsOf(rows).flatMap((row) => bodyTagOf(row) ?? []))].sort()
}

/** What the camera makes of a value on a side: that it puts another in its place, does nothing, refuses it, or what it costs. */
function Consequence({
  now,
  setting,
  sides,
  known,
}: {
  now: InForce
  setting: Setting
  /** How many sides are told of together. */
  sides: number
  known: SettingsKnown
}) {
  const refused = now.refused.find(({ value }) => value === now.asked)
  const of = sides > 1 ? `In ${now.side}: ` : ''
  const says = [
    ...(now.replaced === null
      ? []
      : [
          `${of === '' ? 'The' : `${of}the`} camera replaces ${showValue(setting.domain, now.asked)} by ${showValue(setting.domain, now.value)}. ${now.replaced}`,
        ]),
    ...(now.idle === null ? [] : [`${of === '' ? 'Does' : `${of}does`} nothing here. ${now.idle}`]),
    ...now.costs.map((one) => `${of}${one}`),
  ]
  if (says.length === 0 && !refused) return null
  return (
    <div className="ml-30 border-l-2 border-lichen pl-2 text-small">
      {says.map((one) => (
        <p key={one}>{one}</p>
      ))}
      {now.idle !== null && <EnabledBy id={setting.id} side={now.side} known={known} />}
      {refused && (
        <WayThere setting={setting} side={now.side} value={refused.value} because={refused.because} />
      )}
    </div>
  )
}

/** A value that cannot be chosen as the camera stands: why, and on asking, how it is reached in the menu. */
function WayThere({
  setting,
  side,
  value,
  because,
}: {
  setting: Setting
  side: Side
  value: Value
  because: string
}) {
  const [asked, setAsked] = useState(false)
  const way = useAnswer<'way'>(asked ? { kind: 'way', setting: setting.id, value, side } : null)
  return (
    <>
      <p className="text-rust">Cannot be chosen as the camera stands. {because}</p>
      {!asked && <Offer onClick={() => setAsked(true)}>How it is reached</Offer>}
      {asked && !way && <p role="status">Looking through the menu …</p>}
      {way && way.none !== null && <p>{way.none}</p>}
      {way && way.steps.length > 0 && (
        <ol className="list-decimal pl-5">
          {way.steps.map(({ where, words }) => (
            <li key={`${where} ${words}`}>
              {words} <span className="text-silt">({where})</span>
            </li>
          ))}
        </ol>
      )}
    </>
  )
}

/** What is said of the line without planning a value. */
function Said({ line, standing, known }: { line: string; standing: Standing; known: SettingsKnown }) {
  const desk = useDesk()
  const planned = isPlanned(standing)
  const said = standing.state === 'left' || standing.state === 'not-mine' ? standing.state : null
  const ways: readonly (readonly [LineStanding | null, string, string])[] = [
    ['left', 'Left as delivered, on purpose', 'L'],
    ['not-mine', 'Not in my work', 'N'],
    [null, 'Not looked at', 'U'],
  ]
  const cells = standing.cells.filter(({ value }) => value !== null)
  if (planned)
    return (
      <p className="flex flex-wrap items-baseline gap-x-3 border-t pt-2 text-small">
        <span>
          {standing.state === 'left' ? 'Planned as it is delivered' : `It is ${stateWords[standing.state]}`}.
        </span>
        {cells.length > 0 && (
          <Offer onClick={() => desk.set(Object.fromEntries(cells.map(({ row }) => [row, null])))}>
            Back to as delivered
          </Offer>
        )}
      </p>
    )
  return (
    <div role="radiogroup" aria-label="Where it stands" className="grid border-t pt-2">
      {ways.map(([to, words, key]) => (
        <label key={words} className="flex min-h-8 items-center gap-2 pointer-coarse:min-h-11">
          <input
            type="radio"
            name={`standing ${line}`}
            checked={said === to}
            onChange={() => known.say([line], to)}
            className="size-4 accent-brine"
          />
          {words}
          <kbd className="ml-auto rounded border px-1 font-mono text-small text-silt pointer-coarse:hidden">
            {key}
          </kbd>
        </label>
      ))}
    </div>
  )
}
