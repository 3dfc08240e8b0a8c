'use client'

import { plannedSlots, type Plan } from '@/core/plan/plan'
import { baseRow, defaultWhereabouts } from '@/core/plan/cells'
import { bankRow, rowValue, schoolRow, type RowId } from '@/core/plan/rows'
import { situationName, situationSide, situationsOf } from '@/core/plan/situations'
import type { BodyModel, Setting, Side } from '@/core/model/types'
import { Select } from '@/ui/select'

/** The whole plan, or a part of it that can have an answer of its own, with the row that holds it. */
export interface Scope {
  readonly row: RowId
  readonly words: string
  /** The rows in which a setting is as the answer has it, or not. */
  readonly rowsOf: (setting: Setting) => readonly RowId[]
}

/** The whole plan, then every part of a side that a question can be answered for. */
export function scopesOf(
  model: BodyModel,
  plan: Plan,
  side: Side,
  question: string,
): readonly [Scope, ...Scope[]] {
  const slots = plannedSlots(model, plan).filter((slot) => slot.side === side)
  const inBase = (setting: Setting) => [baseRow(plan.rows, setting, defaultWhereabouts(model, side))]
  const situations = situationsOf(plan).filter((one) => situationSide(model, plan, one) === side)
  return [
    { row: schoolRow(question), words: 'the whole plan', rowsOf: inBase },
    ...(model.sides.length > 1
      ? [{ row: schoolRow(question, { side }), words: `all of ${side}`, rowsOf: inBase }]
      : []),
    ...slots.map(({ family, slot, name }) => ({
      row: schoolRow(question, { family, slot }),
      words: `bank ${name}`,
      rowsOf: (setting: Setting) => [bankRow(family, slot, setting.id)],
    })),
    ...situations.map((situation) => ({
      row: schoolRow(question, { situation }),
      words: `situation ${situationName(plan, situation)}`,
      rowsOf: () => [],
    })),
  ]
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
  onChoose: (row: RowId) => void
  onClear: () => void
}) {
  const has = ({ row }: Scope) => rowValue(plan.rows, row) !== null
  const isPart = chosen !== scopes[0]
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 text-small">
      <label className="flex items-center gap-1.5">
        Answer for
        <Select
          value={chosen.row}
          options={scopes.map((one) => [
            one.row,
            one !== scopes[0] && has(one) ? `${one.words}, its own` : one.words,
          ])}
          onPick={onChoose}
        />
      </label>
      {isPart && has(chosen) && (
        <button type="button" className="min-h-9 cursor-pointer text-brine underline" onClick={onClear}>
          As elsewhere
        </button>
      )}
      {isPart && !has(chosen) && <span className="text-silt">No answer of its own: it is as elsewhere.</span>}
    </div>
  )
}
