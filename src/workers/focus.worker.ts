import { expose } from 'comlink'
import { focusAcross, type BankFocus } from '@/core/focus/sheet'
import type { BodyModel, LensModel, Posture, Side } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'

let known: { model: BodyModel; lenses: readonly LensModel[] } | null = null

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
    if (!known) throw new Error('begin comes first')
    const begun = performance.now()
    const banks = focusAcross(known.model, plan, known.lenses, side, choice)
    return { banks, milliseconds: performance.now() - begun }
  },
}

/** What the page calls. */
export type FocusWorker = typeof api

expose(api)
