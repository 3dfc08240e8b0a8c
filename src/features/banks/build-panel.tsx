'use client'

import { bankRow, idsOf, rowValue, rowsOfSlot } from '@/core/plan/rows'
import { unusedSlots, type Column } from '@/core/banks/columns'
import { everStored, notStored, storeStep } from '@/core/banks/stored'
import { lookup } from '@/core/model/lookup'
import { copyBaseToSlots, putBack, startFrom } from '@/core/plan/bulk'
import { plannedSlots } from '@/core/plan/plan'
import { reportedStray } from '@/core/plan/stray'
import { TextRow, useDesk, usePlan } from '@/features/desk'
import { Button, Offer } from '@/ui/button'
import { Select } from '@/ui/select'

type SlotColumn = Extract<Column, { kind: 'slot' }>

/** Building banks: base to all of them, then each varied from base, then stored; and what each is for. */
export function BuildPanel({ column }: { column: Column | null }) {
  return (
    <div className="grid gap-3">
      {column?.kind === 'slot' && <SlotCard key={column.id} column={column} />}
      {column?.kind !== 'slot' && (
        <p className="text-small text-silt">
          Pick the head of a bank to name it, say what it is for, what it was started from, and that it is
          stored.
        </p>
      )}
      <NewBanks />
    </div>
  )
}

/** The slots no side uses yet: each begins as base is. */
function NewBanks() {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const unused = unusedSlots(model, plan)
  const sides = model.sides.filter((side) =>
    unused.some(({ slot }) => slot.side === undefined || slot.side === side),
  )
  const begin = (side: (typeof sides)[number], only?: string) => {
    const slots = unused
      .filter(({ slot }) => (slot.side ?? side) === side && (only === undefined || slot.id === only))
      .map(({ family, slot }) => ({ family: family.id, slot: slot.id, side }))
    desk.applyStep(copyBaseToSlots(plan, slots, desk.newId()))
  }
  if (unused.length === 0) return null
  return (
    <section aria-label="Unused banks" className="border bg-sheet px-3 py-2.5">
      <h2 className="font-semibold">Unused: {unused.map(({ slot }) => slot.name).join(', ')}</h2>
      <p className="text-small text-silt">
        A bank begins equal to base. Then vary a few rows, each from base: what is varied from another bank
        leaves things over.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        {sides.map((side) => (
          <Button key={side} onClick={() => begin(side)}>
            Base to all, for {side}
          </Button>
        ))}
      </p>
      <ul className="mt-2 grid gap-1">
        {unused.map(({ family, slot }) => (
          <li key={`${family.id}/${slot.id}`} className="flex flex-wrap items-baseline gap-x-3">
            <span>{slot.name}</span>
            {(slot.side ? [slot.side] : model.sides).map((side) => (
              <Offer key={side} className="text-small" onClick={() => begin(side, slot.id)}>
                Use {slot.name} for {side}
              </Offer>
            ))}
          </li>
        ))}
      </ul>
    </section>
  )
}

function SlotCard({ column }: { column: SlotColumn }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const { family, slot, planned } = column
  const row = (fact: string) => bankRow(family.id, slot.id, fact)
  const others = plannedSlots(model, plan).filter(
    (one) => one.family === family.id && one.slot !== slot.id && one.side === planned.side,
  )
  const from = rowValue(plan.rows, row('startedFrom'))
  const { residue, drift } = reportedStray(model, plan, planned)
  const waiting = notStored(model, plan, planned)
  const labels = (ids: readonly string[]) =>
    ids.map((id) => lookup(model).settings.get(id)?.label ?? id).join(', ')
  const restart = (source: string) => {
    if (source === 'base') {
      desk.applyStep(
        copyBaseToSlots(plan, [{ family: family.id, slot: slot.id, side: planned.side }], desk.newId()),
      )
      return
    }
    const to = { family: family.id, slot: slot.id, side: planned.side }
    const step = startFrom(model, plan, to, source, desk.newId())
    if (step.ok) desk.applyStep(step.value)
    else desk.refuse(step.refusal)
  }
  const empty = () => {
    const rows = rowsOfSlot(idsOf(plan.rows), family.id, slot.id)
    desk.set(Object.fromEntries(rows.map((id) => [id, null])))
  }
  return (
    <section aria-label={`Bank ${planned.name}`} className="grid gap-2 border bg-sheet px-3 py-2.5">
      <h2 className="font-head text-lead font-semibold">{planned.name}</h2>
      <TextRow
        label={`Name, at most ${family.nameLength}`}
        row={row('name')}
        longest={family.nameLength}
        fallback={slot.name}
      />
      <TextRow label="Purpose, in one line" row={row('purpose')} longest={200} />
      <TextRow label="If it is the wrong one" row={row('fallback')} longest={200} />
      <label className="text-small text-silt">
        Started from
        <Select
          value={typeof from === 'string' ? from : 'base'}
          options={[['base', 'base'], ...others.map((one): [string, string] => [one.slot, one.name])]}
          onPick={restart}
          className="mt-0.5 block min-h-9 w-full rounded border bg-crust px-2 text-body text-ink"
        />
      </label>
      {residue.length > 0 && (
        <p className="text-lichen">
          Left over from what it was started from: {labels(residue)}.{' '}
          <Offer onClick={() => desk.applyStep(putBack(model, plan, planned, ['residue'], desk.newId()))}>
            Put {residue.length === 1 ? 'it' : `all ${residue.length}`} back to base
          </Offer>
        </p>
      )}
      {drift.length > 0 && (
        <p className="text-lichen">
          Differs though nobody meant it: {labels(drift)}.{' '}
          <Offer onClick={() => desk.applyStep(putBack(model, plan, planned, ['drift'], desk.newId()))}>
            Put {drift.length === 1 ? 'it' : `all ${drift.length}`} back to base
          </Offer>
        </p>
      )}
      <div className="border-t pt-2">
        <p>
          {!everStored(plan, planned)
            ? 'Never stored on the body: setting it up and storing it are two acts.'
            : waiting && waiting.length > 0
              ? `Not stored yet: ${labels(waiting)}.`
              : 'Stored on the body as it stands here.'}
        </p>
        {(waiting === null || waiting.length > 0) && (
          <Button
            className="mt-1"
            onClick={() => desk.applyStep(storeStep(model, plan, planned, desk.newId()))}
          >
            It is stored now
          </Button>
        )}
      </div>
      <Offer className="text-small" onClick={empty}>
        Empty this bank
      </Offer>
    </section>
  )
}
