'use client'

import { useState } from 'react'
import { isOfSide } from '@/core/model/sides'
import { showValue } from '@/core/model/domain'
import type { BodyModel, Setting, Side } from '@/core/model/types'
import { bodiesIn } from '@/core/inventory/records'
import { emptyInventory } from '@/core/inventory/rows'
import { bodyTags } from '@/core/plan/bodies'
import { plannedSlots, type Plan } from '@/core/plan/plan'
import {
  bankRow,
  describeRow,
  differenceRow,
  localRow,
  rowValue,
  showRow,
  type RowId,
} from '@/core/plan/rows'
import type { InForce } from '@/core/settings/in-force'
import { plannedInLine } from '@/core/settings/mark'
import type { Standing } from '@/core/settings/standing'
import { cellWords } from '@/core/settings/words'
import type { Value } from '@/core/vocabulary/values'
import { useAnswer, useDesk, useDeskStart, usePlan } from '@/features/desk'
import { Offer } from '@/ui/button'
import { EnabledBy } from './enabling-list'
import type { SettingsKnown } from './use-settings-station'
import { ValueBox } from './value-box'

/** Its value in every cell of base, then in every bank that is used and may store it. */
export function LineValues({
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
    desk.set(plannedInLine(desk.getView().document, setting.id, row, value))
  const cells = cellWords(model, setting, standing.cells)
  const bodies = useBodyNames(plan)
  const [opened, setOpened] = useState<readonly string[]>([])
  const differing = bodies.flatMap((body) =>
    mayDiffer(setting)
      ? cells.map(({ row, where }) => ({
          tag: body.tag,
          row: differenceRow(body.tag, row),
          where: `on ${body.name}${where === '' ? '' : `, ${where}`}`,
        }))
      : [],
  )
  const shown = differing.filter(({ tag, row }) => opened.includes(tag) || rowValue(plan.rows, row) !== null)
  const apart = [...placesApart(model, plan, setting, bodies), ...shown]
  const alike = bodies.filter(({ tag }) => mayDiffer(setting) && !shown.some((one) => one.tag === tag))
  const others = standing.elsewhere.filter((row) => !apart.some((one) => one.row === row))
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
      {apart.map(({ row, where }) => (
        <div key={row} className="grid grid-cols-[7rem_minmax(0,1fr)] items-start gap-2">
          <span className="pt-1.5 text-small text-silt">{where}</span>
          <ValueBox
            setting={setting}
            label={`${setting.label}, ${where}`}
            value={rowValue(plan.rows, row)}
            inherits={shown.some((one) => one.row === row) ? 'as the plan' : 'as base'}
            refused={[]}
            onKeep={(next) => keep(row, next)}
            onDone={onDone}
          />
        </div>
      ))}
      {bodies.length > 1 && alike.length > 0 && (
        <p className="flex flex-wrap gap-x-4 text-small">
          {alike.map(({ tag, name }) => (
            <Offer key={tag} onClick={() => setOpened([...opened, tag])}>
              Different on {name}
            </Offer>
          ))}
        </p>
      )}
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

/** Whether one body may have another value: what travels in a file is alike on all unless the plan says so; local values have a line each. */
function mayDiffer({ place }: Setting): boolean {
  return place !== 'local' && place !== 'physical'
}

/** A body by its tag and what its owner calls it. */
interface Named {
  readonly tag: string
  readonly name: string
}

/** The bodies that a plan speaks of, by what their owner calls them. */
function useBodyNames(plan: Plan): readonly Named[] {
  const { inventory = emptyInventory } = useDeskStart()
  const records = bodiesIn(inventory)
  return bodyTags(plan).map((tag) => ({ tag, name: records.find((one) => one.tag === tag)?.name ?? tag }))
}

/** Where a setting may differ from base: in every bank that is used and stores it; a local one in every body the plan speaks of. */
function placesApart(
  model: BodyModel,
  plan: Plan,
  { id, place, storedBy }: Setting,
  bodies: readonly Named[],
) {
  const banks = plannedSlots(model, plan)
    .filter(({ family }) => family === storedBy)
    .map(({ family, slot, name }) => ({ row: bankRow(family, slot, id), where: `bank ${name}` }))
  const local = place === 'local' ? bodies : []
  return [...banks, ...local.map(({ tag, name }) => ({ row: localRow(tag, id), where: `on ${name}` }))]
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
