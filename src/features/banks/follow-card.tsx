'use client'

import { type RowId, describeRow, rowValue, showRow } from '@/core/plan/rows'
import { useEffect, useRef, useState } from 'react'
import { changeBase, followers } from '@/core/plan/bulk'
import type { Value } from '@/core/vocabulary/values'
import { useDesk, usePlan } from '@/features/desk'
import { Button } from '@/ui/button'
import { Check } from '@/ui/check'

/** A change of base that banks would follow: asked for each bank before it is made. */
export interface BaseChange {
  readonly row: RowId
  readonly value: Value | null
}

/** Should the banks follow? Those that do not keep what they had, as a value of their own. */
export function FollowCard({ change, onDone }: { change: BaseChange; onDone: () => void }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const slots = followers(model, plan, change.row)
  const [kept, setKept] = useState<readonly string[]>([])
  const card = useRef<HTMLElement>(null)
  useEffect(() => card.current?.focus(), [])
  const was = rowValue(plan.rows, change.row)
  const take = () => {
    const keep = slots.filter(({ slot }) => kept.includes(slot))
    const step = changeBase(model, plan, change.row, change.value, keep, desk.newId())
    if (step.ok) desk.applyStep(step.value)
    else desk.refuse(step.refusal)
    onDone()
  }
  return (
    <section
      ref={card}
      tabIndex={-1}
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
      role="alertdialog"
      aria-label="Should the banks follow?"
      className="border border-pan bg-sheet px-3 py-2"
    >
      <p className="font-semibold">Should the banks follow?</p>
      <p>
        {describeRow(model, change.row)}: <span className="font-mono">{showRow(model, change.row, was)}</span>{' '}
        → <span className="font-mono font-semibold text-pan">{showRow(model, change.row, change.value)}</span>
      </p>
      <div className="mt-1 grid gap-0.5">
        {slots.map(({ slot, name }) => (
          <Check
            key={slot}
            checked={!kept.includes(slot)}
            onChange={() =>
              setKept(kept.includes(slot) ? kept.filter((one) => one !== slot) : [...kept, slot])
            }
          >
            {name} follows
          </Check>
        ))}
      </div>
      <p className="mt-2 flex gap-2">
        <Button main onClick={take}>
          Change base
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </p>
    </section>
  )
}
