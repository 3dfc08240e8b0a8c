import type { Given } from './given'
import { bankTablePart, rememberedPart, restorePart } from './parts/banks'
import {
  bankPurposesPart,
  basePart,
  handOverPart,
  pointPart,
  rememberPart,
  siblingsPart,
} from './parts/brief'
import { differencePart } from './parts/compare'
import { continuityPart, fingersPart, keysPart, togglesPart } from './parts/keys'
import { lensesPart } from './parts/lenses'
import { dialsPart, focusPart, gridsPart, holdsPart, ownMenuPart } from './parts/menus'
import { movesPart, procedurePart } from './parts/acts'
import { platesPart } from './parts/plates'
import { byHandPart, problemsPart, schoolsPart, settingsPart } from './parts/settings'
import type { Block } from './types'

/** A part of a sheet that its owner may leave out. */
export interface PartForm {
  readonly id: string
  readonly name: string
  readonly blocks: (given: Given) => Block[]
}

/** A sheet by its name: what it is for, and its parts in order. */
export interface SheetForm {
  readonly id: string
  readonly name: string
  readonly purpose: string
  /** The paper it is made for unless another is asked for. */
  readonly paper: 'a4' | 'a6'
  readonly parts: readonly PartForm[]
}

const part = (id: string, name: string, blocks: (given: Given) => Block[]): PartForm => ({ id, name, blocks })

const plates = (isBrief: boolean) =>
  part('plates', 'The body with its keys', (given) =>
    given.sides.flatMap((side) => platesPart(given, side, isBrief)),
  )
const remember = part('remember', 'Not to forget', rememberPart)
const byHand = part('by-hand', 'Set by hand', byHandPart)
const remembered = part('remembered', 'Remembered positions', rememberedPart)
const problems = part('problems', 'Problems left', problemsPart)
const bankTable = part('banks', 'Banks side by side', (given) => bankTablePart(given))

/** Every sheet, in the order in which they are asked for; adding one is adding a row. */
export const sheetForms = [
  {
    id: 'pocket',
    name: 'Pocket card',
    purpose: 'What is in the hand at six in the morning: keys, banks, what not to forget.',
    paper: 'a6',
    parts: [
      plates(true),
      part('banks', 'Banks', bankPurposesPart),
      part('base', 'Base values', basePart),
      remember,
      byHand,
      remembered,
      part('point', 'AF point', pointPart),
      part('moves', 'Field moves', movesPart),
      part('toggles', 'Toggles', togglesPart),
    ],
  },
  {
    id: 'full',
    name: 'Full sheet',
    purpose: 'Everything the plan says, in the camera’s own order, with reasons.',
    paper: 'a4',
    parts: [
      remember,
      plates(false),
      part('keys', 'Every meaning of every key', keysPart),
      part('fingers', 'By finger', fingersPart),
      part('grids', 'Function menus', gridsPart),
      part('own-menu', 'Own menu', ownMenuPart),
      part('dials', 'Dials', dialsPart),
      part('focus', 'What focuses when', focusPart),
      bankTable,
      part('holds', 'Hold sets', holdsPart),
      remembered,
      byHand,
      part('settings', 'Settings in menu order', (given) => settingsPart(given)),
      part('schools', 'Your ways', schoolsPart),
      problems,
    ],
  },
  {
    id: 'banks',
    name: 'Bank table',
    purpose: 'Base and every bank side by side, with what each comes to.',
    paper: 'a4',
    parts: [bankTable],
  },
  {
    id: 'morning',
    name: 'Morning and restore sheet',
    purpose: 'What nothing restores by itself, and what to set again.',
    paper: 'a4',
    parts: [
      part('morning', 'Morning routine', (given) => procedurePart(given, 'morning')),
      part('restore', 'Bank by bank', restorePart),
      byHand,
      remembered,
    ],
  },
  {
    id: 'difference',
    name: 'Difference sheet',
    purpose: 'What differs from another revision, another body, or a file, row by row.',
    paper: 'a4',
    parts: [part('difference', 'Differences', differencePart)],
  },
  {
    id: 'lens',
    name: 'Lens card',
    purpose: 'A column for each lens: what is on it, what to type, what is dead with it.',
    paper: 'a4',
    parts: [part('lenses', 'Lens by lens', lensesPart)],
  },
  {
    id: 'continuity',
    name: 'Continuity report',
    purpose: 'Where the same function sits on your other bodies, and what is absent there.',
    paper: 'a4',
    parts: [part('continuity', 'Body by body', continuityPart)],
  },
  {
    id: 'handover',
    name: 'Hand-over sheet',
    purpose: 'For whoever takes the camera: what the keys do, what to leave alone, what comes back.',
    paper: 'a4',
    parts: [
      plates(true),
      part('banks', 'Banks', bankPurposesPart),
      part('leave', 'Leave alone, and what comes back', handOverPart),
      part('focus', 'What focuses when', focusPart),
      problems,
    ],
  },
  {
    id: 'public',
    name: 'Publishable sheet',
    purpose: 'Values on one screen, reasons after; without names.',
    paper: 'a4',
    parts: [
      part('base', 'Base values', basePart),
      part('banks', 'Banks', (given) => bankTablePart(given, false)),
      part('settings', 'Settings that were changed', (given) => settingsPart(given, false)),
      part('schools', 'Ways, and reasons', schoolsPart),
      part('siblings', 'Sibling models', siblingsPart),
    ],
  },
  {
    id: 'walk',
    name: 'Walk on paper',
    purpose: 'The menu walked once, with a box to tick at each act.',
    paper: 'a4',
    parts: [part('set-plan', 'Set this plan', (given) => procedurePart(given, 'set-plan'))],
  },
] as const satisfies readonly SheetForm[]

/** The id of a sheet. */
export type SheetKind = (typeof sheetForms)[number]['id']

/** The sheet of that id; undefined where there is none. */
export function sheetForm(id: string): SheetForm | undefined {
  return sheetForms.find((one) => one.id === id)
}
