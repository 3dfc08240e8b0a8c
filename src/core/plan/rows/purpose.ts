import { planTextKind, planTextRow, type PlanTextRow } from './plan-text'

/** What the plan is for, in one line. */
export type PurposeRow = PlanTextRow<'purpose'>

/** The row that says what the plan is for. */
export const purposeRow = planTextRow('purpose')

export const purposeKind = planTextKind('purpose', {
  says: 'what the plan is for, in one line',
  place: 'Purpose',
  longest: 120,
})
