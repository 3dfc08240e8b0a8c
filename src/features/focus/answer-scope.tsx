'use client'

import { plannedSlots, type Plan } from '@/core/plan/plan'
import { rowValue, schoolRow } from '@/core/plan/rows'
import { situationName, situationSide, situationsOf } from '@/core/reach/needs'
import type { BodyModel, Side } from '@/core/model/types'
import { Select } from '@/ui/select'

/** A part of the plan that can have an answer of its own, with the row that holds it. */
export interface Scope {
  readonly id: string
  readonly words: string
  readonly row: ReturnType<typeof schoolRow>
}

/** The whole plan, then every part of a side that a question can be answered for. */
export function scopesOf(model: BodyModel, plan: Plan, side: Side, question: string): readonly Scope[] {
  const slots = plannedSlots(model, plan).filter((slot) => slot.side === side)
  const situations = situationsOf(plan).filter((one) => situationSide(model, plan, one) === side)
  return [
    { id: 'plan', words: 'the whole plan', row: schoolRow(question) },
    ...(model.sides.length > 1
      ? [{ id: 'side', words: `all of ${side}`, row: schoolRow(question, { side }) }]
      : []),
    ...slots.map(({ family, slot, name }) => ({
      id: `${family} ${slot}`,
      words: `bank ${name}`,
      row: schoolRow(question, { family, slot }),
    })),
    ...situations.map((situation) => ({
      id: situation,
      words: `situation ${situationName(plan, situation)}`,
      row: schoolRow(question, { situation }),
    })),
  ]
}

/** The narrowest of the plan and the side that has an answer: what is shown first. */
export function usualScope(plan: Plan, scopes: readonly Scope[]): Scope | undefined {
  const side = scopes.find(({ id, row }) => id === 'side' && rowValue(plan.rows, row) !== null)
  return side ?? scopes[0]
}

/** What the answer holds for: the whole plan or a part of it, those with an answer of their own marked. */
export function ScopeChoice({
  plan,
  scopes,
  chosen,
  onChoose,
  onClear,
}: {
  plan: Plan
  scopes: readonly Scope[]
  chosen: Scope
  onChoose: (id: string) => void
  onClear: () => void
}) {
  const has = ({ row }: Scope) => rowValue(plan.rows, row) !== null
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 text-small">
      <label className="flex items-center gap-1.5">
        Answer for
        <Select
          value={chosen.id}
          options={scopes.map((one) => [
            one.id,
            one.id !== 'plan' && has(one) ? `${one.words}, its own` : one.words,
          ])}
          onPick={onChoose}
        />
      </label>
      {chosen.id !== 'plan' && has(chosen) && (
        <button type="button" className="min-h-9 cursor-pointer text-brine underline" onClick={onClear}>
          As elsewhere
        </button>
      )}
      {chosen.id !== 'plan' && !has(chosen) && (
        <span className="text-silt">No answer of its own: it is as elsewhere.</span>
      )}
    </div>
  )
}
