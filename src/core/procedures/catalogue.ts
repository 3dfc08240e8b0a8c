import type { StartingPoint } from './order'

/** When a procedure is gone through. */
export type ProcedureGroup = 'begin' | 'set' | 'prove' | 'day' | 'need' | 'carry'

/** A procedure by name: what it is for, and when. How it is composed stands in `compose.ts`. */
export interface ProcedureName {
  readonly id: string
  readonly name: string
  readonly group: ProcedureGroup
  readonly purpose: string
  /** From where it always starts, whatever is asked for. */
  readonly start?: StartingPoint
  /** A body that went through it holds the plan. */
  readonly setsPlan?: true
}

/** Every procedure, in the order in which an owner meets them. */
export const catalogue = [
  {
    id: 'first-day',
    name: 'First day',
    group: 'begin',
    purpose: 'A new camera in the right order; important work waits for a file that really opened.',
  },
  {
    id: 'clean-start',
    name: 'Clean start',
    group: 'begin',
    purpose: 'What is there is saved; then back to delivered, and the plan from there.',
    setsPlan: true,
  },
  {
    id: 'build-on',
    name: 'Build on what is there',
    group: 'begin',
    purpose: 'Nothing is wiped: every line the plan says is looked at on the body.',
    start: 'believed',
  },
  {
    id: 'set-plan',
    name: 'Set this plan',
    group: 'set',
    purpose: 'The menu walked once, then keys, menus and banks.',
    setsPlan: true,
  },
  {
    id: 'banks',
    name: 'Build the banks',
    group: 'set',
    purpose: 'Base stored to all, each varied from it, and stored again.',
    setsPlan: true,
  },
  {
    id: 'press-test',
    name: 'Press every key once',
    group: 'prove',
    purpose: 'What each key and bank should do, held against what it does.',
  },
  {
    id: 'field-moves',
    name: 'Field moves',
    group: 'prove',
    purpose: 'Short key sequences to have in the hand; each was played on the simulated body.',
  },
  {
    id: 'iso-ladder',
    name: 'ISO ladder',
    group: 'prove',
    purpose: 'Every stop of ISO shot once and rated: your own ceiling, not somebody else’s.',
  },
  {
    id: 'morning',
    name: 'Morning routine',
    group: 'day',
    purpose: 'What nothing restores by itself, before the work.',
  },
  {
    id: 'evening',
    name: 'Evening routine',
    group: 'day',
    purpose: 'Copied twice and opened, and only then formatted.',
  },
  {
    id: 'rescue',
    name: 'It does not focus',
    group: 'need',
    purpose: 'The likely causes in this plan and bank, nearest first.',
  },
  {
    id: 'bracket-job',
    name: 'Exposure bracket',
    group: 'need',
    purpose: 'Darker and brighter pictures on a support, with a delay, and everything back after it.',
  },
  {
    id: 'interval-job',
    name: 'Interval series',
    group: 'need',
    purpose: 'A picture every few seconds that differ in nothing but what moves.',
  },
  {
    id: 'focus-series-job',
    name: 'Focus series',
    group: 'need',
    purpose: 'Pictures from near to far, to be stacked; the screen goes dark meanwhile.',
  },
  {
    id: 'pairing',
    name: 'Pair a phone or remote',
    group: 'need',
    purpose: 'What has to be on first, in order, and the act.',
  },
  {
    id: 'firmware-day',
    name: 'Firmware day',
    group: 'need',
    purpose: 'An update that loses nothing: saved before, brought back, looked at again.',
  },
  {
    id: 'reset-restore',
    name: 'Reset and restore',
    group: 'need',
    purpose: 'A camera that misbehaves: saved, reset, brought back from its own file, compared.',
    start: 'believed',
  },
  {
    id: 'carry-by-hand',
    name: 'Carry by hand',
    group: 'carry',
    purpose:
      'The file of one real camera to others: saved, taken in, written, loaded, saved again, compared.',
  },
] as const satisfies readonly ProcedureName[]

/** The id of a procedure. */
export type ProcedureId = (typeof catalogue)[number]['id']

/** A procedure as the catalogue has it; undefined for what is none. */
function named(id: string): ProcedureName | undefined {
  return catalogue.find((one) => one.id === id)
}

/** From where a procedure starts: some know that themselves. */
export function startingPointOf(id: ProcedureId, asked: StartingPoint): StartingPoint {
  return named(id)?.start ?? asked
}

/** Whether something names a procedure. */
export function isProcedure(id: string): id is ProcedureId {
  return named(id) !== undefined
}

/** Whether a body that went through a procedure holds the plan. */
export function setsPlan(id: string): boolean {
  return named(id)?.setsPlan === true
}
