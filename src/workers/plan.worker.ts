import { expose } from 'comlink'
import { columnsOf } from '@/core/banks/columns'
import { filmChoices, type Offered } from '@/core/banks/sizes'
import { focusAcross, type BankFocus } from '@/core/focus/sheet'
import type { BodyModel, LensModel, Posture, Side } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'

let known: { model: BodyModel; lenses: readonly LensModel[] } | null = null

function start(): { model: BodyModel; lenses: readonly LensModel[] } {
  if (!known) throw new Error('begin comes first')
  return known
}

const api = {
  /** What stays the same for as long as a plan is open: sent once. */
  begin(model: BodyModel, lenses: readonly LensModel[]): void {
    known = { model, lenses }
  },
  /** The trigger tables of every bank of a side, and how long they took in milliseconds. */
  across(
    plan: Plan,
    side: Side,
    choice: { readonly lens?: string; readonly posture?: Posture },
  ): { readonly banks: readonly BankFocus[]; readonly milliseconds: number } {
    const { model, lenses } = start()
    const begun = performance.now()
    const banks = focusAcross(model, plan, lenses, side, choice)
    return { banks, milliseconds: performance.now() - begun }
  },
  /** What film can be chosen in each column of the banks, by its id. */
  film(plan: Plan): Readonly<Record<string, readonly Offered[]>> {
    const { model, lenses } = start()
    return Object.fromEntries(
      columnsOf(model, plan, lenses, true).map((column) => [column.id, filmChoices(model, plan, column)]),
    )
  },
}

/** What the page calls. */
export type PlanWorker = typeof api

expose(api)
