import { type RowId, modelRow, rowValue } from './rows'
import type { BodyModel } from '../model/types'
import { ok, refuse, type Result } from '../result'
import type { DocumentKind } from '../sync/kind'
import type { Change, Step } from '../sync/step'
import { sameValue, type Value } from '../vocabulary/values'
import { planLimits, readValue } from './limits'
import { parsePlan, type Plan } from './plan'
import { applyStep } from './step'

/** Finds the definition a plan stands on: by id and edition; null where it is not at hand. */
export type Library = (id: string, edition: number) => BodyModel | null

/** Plans as documents that are saved step by step; a step may also take a plan to another edition of its model. */
export function planKind(library: Library): DocumentKind<Plan> {
  return {
    name: 'plan',
    limits: planLimits,
    readValue,
    value: planValue,
    apply(plan, step) {
      const turn = step.changes.find((change) => change.row === modelRow)
      if (turn) return turned(library, plan, step, turn)
      const model = library(plan.model.id, plan.model.version)
      return model ? applyStep(model, plan, step) : notAtHand(plan.model.id, plan.model.version)
    },
  }
}

/** What a row of a plan holds, or null; the row `model` holds its model's id and edition. */
export function planValue(plan: Plan, row: RowId): Value | null {
  return row === modelRow ? editionMark(plan.model) : rowValue(plan.rows, row)
}

/** The value of the row `model`, such as `tarrow-heron@2`. */
export function editionMark({ id, version }: Plan['model']): string {
  return `${id}@${version}`
}

/** The id and edition that a value of the row `model` names; null where it names none. */
export function readEdition(value: Value | null): Plan['model'] | null {
  const [, id = '', edition = ''] = /^([a-z][a-z0-9-]*)@([1-9]\d{0,8})$/.exec(String(value)) ?? []
  return id === '' ? null : { id, version: Number(edition) }
}

/** The editions that steps take a plan to or from: whoever applies them must have these at hand. */
export function editionsIn(steps: readonly Step[]): readonly Plan['model'][] {
  const marks = steps.flatMap((step) =>
    step.changes.filter((one) => one.row === modelRow).flatMap((one) => [one.from, one.to]),
  )
  return [...new Set(marks)].map(readEdition).filter((one) => one !== null)
}

/** A plan on another edition: every row it then has must be one of that edition. */
function turned(library: Library, plan: Plan, step: Step, turn: Change): Result<Plan> {
  const to = readEdition(turn.to)
  if (!to || to.id !== plan.model.id)
    return refuse(
      'outside',
      `This row takes another edition of ${plan.model.id}, such as ${plan.model.id}@2.`,
      modelRow,
    )
  const model = library(to.id, to.version)
  if (!model) return notAtHand(to.id, to.version)
  const rows: Record<RowId, Value> = { ...plan.rows }
  for (const [i, { row, from, to: value }] of step.changes.entries()) {
    if (step.changes.findIndex((one) => one.row === row) !== i)
      return refuse('twice', 'One step changes this row twice.', row)
    if (!sameValue(planValue(plan, row) ?? undefined, from ?? undefined))
      return refuse('stale', 'This row has changed since the step was made.', row)
    if (row === modelRow) continue
    if (value === null) delete rows[row]
    else rows[row] = value
  }
  const fits = parsePlan(model, rows)
  return fits.ok ? ok(fits.value) : fits
}

function notAtHand(id: string, edition: number): Result<never> {
  return refuse('unknown-model', `Edition ${edition} of the model ${id} is not at hand.`, modelRow)
}
