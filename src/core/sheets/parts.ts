import type { Given } from './given'
import { bankTablePart, rememberedPart, restorePart } from './parts/banks'
import {
  bankPurposesPart,
  basePart,
  handOverPart,
  pointPart,
  rememberPart,
  siblingsPart,
  whoPart,
} from './parts/brief'
import { differencePart } from './parts/compare'
import { continuityPart, fingersPart, keysPart, togglesPart } from './parts/keys'
import { lensesPart } from './parts/lenses'
import { dialsPart, focusPart, gridsPart, holdsPart, ownMenuPart } from './parts/menus'
import { movesPart, procedurePart } from './parts/acts'
import { platesPart } from './parts/plates'
import { byHandPart, problemsPart, schoolsPart, settingsPart } from './parts/settings'
import type { Block } from './types'

import type { SheetKind } from './catalogue'

/** Makes the blocks of one part. */
export type Part = (given: Given) => Block[]

/** What stands in each part of each sheet, by the ids of both. */
export const sheetParts: Readonly<Record<SheetKind, Readonly<Record<string, Part>>>> = {
  pocket: {
    plates: (given) => given.model.sides.flatMap((side) => platesPart(given, side, true)),
    banks: bankPurposesPart,
    base: basePart,
    remember: rememberPart,
    'by-hand': byHandPart,
    remembered: rememberedPart,
    point: pointPart,
    moves: movesPart,
    toggles: togglesPart,
    who: whoPart,
  },
  full: {
    remember: rememberPart,
    plates: (given) => given.model.sides.flatMap((side) => platesPart(given, side, false)),
    keys: keysPart,
    fingers: fingersPart,
    grids: gridsPart,
    'own-menu': ownMenuPart,
    dials: dialsPart,
    focus: focusPart,
    banks: (given) => bankTablePart(given),
    holds: holdsPart,
    remembered: rememberedPart,
    'by-hand': byHandPart,
    settings: (given) => settingsPart(given),
    schools: schoolsPart,
    problems: problemsPart,
  },
  banks: {
    banks: (given) => bankTablePart(given),
  },
  morning: {
    morning: (given) => procedurePart(given, 'morning'),
    restore: restorePart,
    'by-hand': byHandPart,
    remembered: rememberedPart,
  },
  difference: {
    difference: differencePart,
  },
  lens: {
    lenses: lensesPart,
  },
  continuity: {
    continuity: continuityPart,
  },
  handover: {
    plates: (given) => given.model.sides.flatMap((side) => platesPart(given, side, true)),
    banks: bankPurposesPart,
    leave: handOverPart,
    focus: focusPart,
    problems: problemsPart,
  },
  public: {
    base: basePart,
    banks: (given) => bankTablePart(given, false),
    settings: (given) => settingsPart(given, false),
    schools: schoolsPart,
    siblings: siblingsPart,
  },
  walk: {
    'set-plan': (given) => procedurePart(given, 'set-plan'),
  },
}
