'use client'

import Link from 'next/link'
import { useRef } from 'react'
import { lookup } from '@/core/model/lookup'
import type { LineStanding } from '@/core/plan/rows'
import { isPlanned } from '@/core/settings/mark'
import { stateWords, type Standing } from '@/core/settings/standing'
import { subjects } from '@/core/vocabulary/subjects'
import { FindingList, SettingFigures, SettingLabel, useDesk } from '@/features/desk'
import { Offer } from '@/ui/button'
import { later } from '@/ui/later'
import { LineNotes } from './line-notes'
import type { SettingsKnown } from './use-settings-station'

/** Fields to type values in, and what opens of them: they come when a hand comes near the list. */
export const LineValues = later(() => import('./line-values').then((one) => one.LineValues))
// The sentences of the whole vocabulary are long: they come when the first line is taken.
const LinePlain = later(() => import('./line-plain').then((one) => one.LinePlain))
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
        {setting && <LinePlain setting={setting} />}
        {line.warning !== null && <p className="mt-1 text-lichen">{line.warning}</p>}
      </header>
      {line.opens !== null && <ToItsStation known={known} opens={line.opens} />}
      {line.isByHand && <p>It is set by hand on the body: no plan, bank or file holds it.</p>}
      {setting && !line.isByHand && (
        <LineValues key={line.id} setting={setting} standing={standing} known={known} onDone={back} />
      )}
      {findings.length > 0 && (
        <div className="grid gap-2">
          <FindingList findings={findings} />
        </div>
      )}
      {setting?.means != null && <SettingFigures means={[setting.means]} />}
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
