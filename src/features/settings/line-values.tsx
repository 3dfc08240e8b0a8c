'use client'

import { useState } from 'react'
import { isOfSide } from '@/core/model/sides'
import { showValue } from '@/core/model/domain'
import type { BodyModel, Setting, Side } from '@/core/model/types'
import { bodyTags } from '@/core/plan/bodies'
import { plannedSlots, type Plan } from '@/core/plan/plan'
import { bankRow, describeRow, localRow, rowValue, showRow, type RowId } from '@/core/plan/rows'
import type { InForce } from '@/core/settings/in-force'
import { plannedInLine } from '@/core/settings/mark'
import type { Standing } from '@/core/settings/standing'
import { cellWords } from '@/core/settings/words'
import type { Value } from '@/core/vocabulary/values'
import { useAnswer, useDesk, usePlan } from '@/features/desk'
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
    desk.set(plannedInLine(desk.getView().plan, setting.id, row, value))
  const cells = cellWords(model, setting, standing.cells)
  const apart = placesApart(model, plan, setting)
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

/** Where a setting may differ from base: in every bank that is used and stores it; a local one in every body the plan speaks of. */
function placesApart(model: BodyModel, plan: Plan, { id, place, storedBy }: Setting) {
  const banks = plannedSlots(model, plan)
    .filter(({ family }) => family === storedBy)
    .map(({ family, slot, name }) => ({ row: bankRow(family, slot, id), where: `bank ${name}` }))
  const bodies = place === 'local' ? bodyTags(plan) : []
  return [...banks, ...bodies.map((tag) => ({ row: localRow(tag, id), where: `body ${tag}` }))]
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
