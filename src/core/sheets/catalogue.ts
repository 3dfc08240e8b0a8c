/** A part of a sheet that its owner may leave out. */
export interface PartName {
  readonly id: string
  readonly name: string
}

/** A sheet by its name: what it is for, and its parts in order. What stands in each part is in `parts.ts`. */
export interface SheetForm {
  readonly id: string
  readonly name: string
  readonly purpose: string
  /** The paper it is made for unless another is asked for. */
  readonly paper: 'a4' | 'a6'
  readonly parts: readonly PartName[]
}

const part = (id: string, name: string): PartName => ({ id, name })

/** Every sheet, in the order in which they are asked for; adding one is adding a row here, and its parts there. */
export const sheetForms = [
  {
    id: 'pocket',
    name: 'Pocket card',
    purpose: 'What is in the hand at six in the morning: keys, banks, what not to forget.',
    paper: 'a6',
    parts: [
      part('plates', 'The body with its keys'),
      part('banks', 'Banks'),
      part('base', 'Base values'),
      part('remember', 'Not to forget'),
      part('by-hand', 'Set by hand'),
      part('remembered', 'Remembered positions'),
      part('point', 'AF point'),
      part('moves', 'Field moves'),
      part('toggles', 'Toggles'),
      part('who', 'Who decided'),
    ],
  },
  {
    id: 'full',
    name: 'Full sheet',
    purpose: 'Everything the plan says, in the camera’s own order, with reasons.',
    paper: 'a4',
    parts: [
      part('remember', 'Not to forget'),
      part('plates', 'The body with its keys'),
      part('keys', 'Every meaning of every key'),
      part('fingers', 'By finger'),
      part('grids', 'Function menus'),
      part('own-menu', 'Own menu'),
      part('dials', 'Dials'),
      part('focus', 'What focuses when'),
      part('banks', 'Banks side by side'),
      part('holds', 'Hold sets'),
      part('remembered', 'Remembered positions'),
      part('by-hand', 'Set by hand'),
      part('settings', 'Settings in menu order'),
      part('schools', 'Your ways'),
      part('problems', 'Problems left'),
    ],
  },
  {
    id: 'banks',
    name: 'Bank table',
    purpose: 'Base and every bank side by side, with what each comes to.',
    paper: 'a4',
    parts: [part('banks', 'Banks side by side')],
  },
  {
    id: 'morning',
    name: 'Morning and restore sheet',
    purpose: 'What nothing restores by itself, and what to set again.',
    paper: 'a4',
    parts: [
      part('morning', 'Morning routine'),
      part('restore', 'Bank by bank'),
      part('by-hand', 'Set by hand'),
      part('remembered', 'Remembered positions'),
    ],
  },
  {
    id: 'difference',
    name: 'Difference sheet',
    purpose: 'What differs from another revision, another body, or a file, row by row.',
    paper: 'a4',
    parts: [part('difference', 'Differences')],
  },
  {
    id: 'lens',
    name: 'Lens card',
    purpose: 'A column for each lens: what is on it, what to type, what is dead with it.',
    paper: 'a4',
    parts: [part('lenses', 'Lens by lens')],
  },
  {
    id: 'continuity',
    name: 'Continuity report',
    purpose: 'Where the same function sits on your other bodies, and what is absent there.',
    paper: 'a4',
    parts: [part('continuity', 'Body by body')],
  },
  {
    id: 'handover',
    name: 'Hand-over sheet',
    purpose: 'For whoever takes the camera: what the keys do, what to leave alone, what comes back.',
    paper: 'a4',
    parts: [
      part('plates', 'The body with its keys'),
      part('banks', 'Banks'),
      part('leave', 'Leave alone, and what comes back'),
      part('focus', 'What focuses when'),
      part('problems', 'Problems left'),
    ],
  },
  {
    id: 'public',
    name: 'Publishable sheet',
    purpose: 'Values on one screen, reasons after; without names.',
    paper: 'a4',
    parts: [
      part('base', 'Base values'),
      part('banks', 'Banks'),
      part('settings', 'Settings that were changed'),
      part('schools', 'Ways, and reasons'),
      part('siblings', 'Sibling models'),
    ],
  },
  {
    id: 'walk',
    name: 'Walk on paper',
    purpose: 'The menu walked once, with a box to tick at each act.',
    paper: 'a4',
    parts: [part('set-plan', 'Set this plan')],
  },
] as const satisfies readonly SheetForm[]

/** The id of a sheet. */
export type SheetKind = (typeof sheetForms)[number]['id']

/** The sheet of that id; undefined where there is none. */
export function sheetForm(id: string): SheetForm | undefined {
  return sheetForms.find((one) => one.id === id)
}
