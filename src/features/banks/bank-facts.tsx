'use client'

import type { BankFamily, Slot } from '@/core/model/types'
import type { PlannedSlot } from '@/core/plan/plan'
import { bankRow } from '@/core/plan/rows'
import { useDesk } from '@/features/desk/desk-context'
import { useKeptText } from '@/features/desk/kept-text'
import { Button, Offer } from '@/ui/button'

/** What a bank is for: its side, its name within the camera's limit, one line of purpose. */
export function BankFacts({
  family,
  slot,
  planned,
}: {
  family: BankFamily
  slot: Slot
  planned: PlannedSlot | null
}) {
  const desk = useDesk()
  const row = (fact: string) => bankRow(family.id, slot.id, fact)
  if (planned === null) {
    return (
      <div className="py-6">
        <p className="text-lead">{slot.name} is unused.</p>
        <p className="mt-1 max-w-lg text-silt">
          A bank keeps a set of values under one turn of the dial. It starts equal to base; you then vary a
          few rows.
        </p>
        <p className="mt-3 flex gap-2">
          {(slot.side ? [slot.side] : desk.start.model.sides).map((side) => (
            <Button key={side} onClick={() => desk.set({ [row('side')]: side })}>
              Use it for {side}
            </Button>
          ))}
        </p>
      </div>
    )
  }
  const empty = () => {
    const rows = Object.keys(desk.getView().plan.rows).filter((id) => id.startsWith(row('')))
    desk.set(Object.fromEntries(rows.map((id) => [id, null])))
  }
  return (
    <div className="flex flex-wrap items-end gap-3 py-3">
      <TextRow
        key={row('name')}
        label={`Name, at most ${family.nameLength}`}
        row={row('name')}
        longest={family.nameLength}
        fallback={slot.name}
      />
      <TextRow
        key={row('purpose')}
        label="Purpose, in one line"
        row={row('purpose')}
        longest={200}
        fallback=""
        wide
      />
      <Offer className="pb-2 text-small" onClick={empty}>
        Empty this bank
      </Offer>
    </div>
  )
}

function TextRow({
  label,
  row,
  longest,
  fallback,
  wide = false,
}: {
  label: string
  row: string
  longest: number
  fallback: string
  wide?: boolean
}) {
  const text = useKeptText(row, fallback)
  return (
    <label className={`text-small text-silt ${wide ? 'min-w-48 flex-1' : ''}`}>
      {label}
      <input
        value={text.value}
        maxLength={longest}
        onChange={(event) => text.type(event.target.value)}
        onBlur={text.leave}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className={`mt-0.5 block min-h-9 rounded border bg-crust px-2 text-body text-ink ${wide ? 'w-full' : 'w-40'}`}
      />
    </label>
  )
}
