import { planTextKind, planTextRow, type PlanTextRow } from './plan-text'

/** The plan's title. */
export type TitleRow = PlanTextRow<'title'>

/** The row that holds the plan's title. */
export const titleRow = planTextRow('title')

export const titleKind = planTextKind('title', { says: 'the plan’s title', place: 'Title', longest: 80 })
