'use client'

import { holdNameRow, holdRow, mayTick, rowValue } from '@/core/plan/rows'
import Link from 'next/link'
import { useState } from 'react'
import { whereIs } from '@/core/banks/columns'
import type { HoldSet, Setting } from '@/core/model/types'
import { addressesWith } from '@/core/plan/assign'
import { SettingLabel, TextRow, useAnswer, useDesk, usePlan } from '@/features/desk'
import { Button, Offer } from '@/ui/button'
import { HeldTable, Jump } from './held-table'
import { PickList } from '@/ui/pick-list'

/** Hold sets: what each ticks, before, while held and after; registered and assigned are two acts. */
export function HoldPanel() {
  const { model } = useDesk().start
  if (model.holdSets.length === 0)
    return (
      <p className="text-silt">
        This body has no hold sets. Keys that override one value while held are its way.
      </p>
    )
  return (
    <div className="grid gap-3">
      {model.holdSets.map((set) => (
        <SetCard key={set.id} set={set} />
      ))}
    </div>
  )
}

/** What a small set is made of, by common setting. */
const exposureAndFocus = [
  'exposure.mode',
  'exposure.shutter',
  'exposure.aperture',
  'exposure.iso',
  'focus.mode',
  'focus.area',
]

function SetCard({ set }: { set: HoldSet }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const [adding, setAdding] = useState(false)
  const ticked = model.settings.filter((setting) => rowValue(plan.rows, holdRow(set.id, setting.id)) !== null)
  const fn = model.functions.find((one) => one.holdSet === set.id && one.manner === 'hold')
  const state = useAnswer<'hold'>({ kind: 'hold', set: set.id })
  const keys = fn ? model.sides.flatMap((one) => addressesWith(model, plan, one, fn.id)) : []
  const outside = model.settings.filter(
    (setting) => !mayTick(set, setting) && setting.means?.startsWith('exposure.') === true,
  )
  const tickable = model.settings.filter((setting) => mayTick(set, setting))
  const few = tickable.filter(({ means }) => means !== null && exposureAndFocus.includes(means))
  const takeIn = (settings: readonly Setting[]) =>
    desk.set(
      Object.fromEntries(
        settings.map((setting) => [
          holdRow(set.id, setting.id),
          state?.before[setting.id] ?? setting.factory,
        ]),
      ),
    )
  return (
    <section aria-label={`Hold set ${set.name}`} className="grid gap-2 border bg-sheet px-3 py-2.5">
      <TextRow
        label={`Name, at most ${set.nameLength}`}
        row={holdNameRow(set.id)}
        longest={set.nameLength}
        fallback={set.name}
      />
      {ticked.length === 0 ? (
        <p className="flex flex-wrap gap-2">
          <Button onClick={() => takeIn(tickable)}>Take in the state as it is, {tickable.length} rows</Button>
          <Button onClick={() => takeIn(few)}>Exposure and focus only</Button>
          <Button onClick={() => setAdding(true)}>Start empty</Button>
        </p>
      ) : (
        <>
          <HeldTable set={set} ticked={ticked} state={state} />
          <Offer
            className="text-small"
            onClick={() => desk.set(Object.fromEntries(ticked.map(({ id }) => [holdRow(set.id, id), null])))}
          >
            Untick all
          </Offer>
        </>
      )}
      {ticked.length > 0 && state?.jump && <Jump jump={state.jump} />}
      {(ticked.length > 0 || adding) && (
        <AddRow
          settings={tickable.filter((setting) => !ticked.includes(setting))}
          onAdd={(setting) => takeIn([setting])}
        />
      )}
      <ol className="border-t pt-1 text-small">
        <li className={ticked.length > 0 ? 'text-samphire' : 'text-lichen'}>
          1. Registered:{' '}
          {ticked.length === 0 ? 'nothing yet' : `${ticked.length} ${ticked.length === 1 ? 'row' : 'rows'}`}
        </li>
        <li className={keys.length > 0 ? 'text-samphire' : 'text-lichen'}>
          2. Assigned:{' '}
          {keys.length === 0 ? 'no key calls it' : keys.map((one) => one.control.name).join(', ')}
        </li>
      </ol>
      {keys.length === 0 && ticked.length > 0 && (
        <Link
          href={`/plans/${desk.start.planId}/controls`}
          className="text-small font-semibold text-brine underline decoration-rule underline-offset-3"
        >
          Put {fn?.name ?? 'it'} on a key
        </Link>
      )}
      {outside.length > 0 && ticked.length > 0 && (
        <details className="text-small">
          <summary className="cursor-pointer text-brine">Not in it, must be right: {outside.length}</summary>
          {outside.map((setting) => (
            <p key={setting.id}>
              <SettingLabel setting={setting} /> <span className="text-silt">{whereIs(model, setting)}</span>
            </p>
          ))}
        </details>
      )}
    </section>
  )
}

function AddRow({ settings, onAdd }: { settings: readonly Setting[]; onAdd: (setting: Setting) => void }) {
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <Offer className="text-small" onClick={() => setOpen(true)}>
        Tick another row
      </Offer>
    )
  return (
    <PickList
      label="Tick another row"
      list="Rows that can be ticked"
      placeholder="shutter, focus mode …"
      items={settings}
      idOf={({ id }) => id}
      textOf={(one) => one.label}
      meansOf={({ means }) => ({ kind: 'setting', id: means })}
      onPick={onAdd}
      option={(one) => one.label}
      nothing={(typed) => `No row called “${typed}” can be ticked.`}
      tall="10rem"
    />
  )
}
