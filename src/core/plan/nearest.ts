import { closest, distance } from 'fastest-levenshtein'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { memoize } from '../memoize'
import { bankRow, baseCellRow, baseCells, bothSides, keyRow } from './rows'

/** The id known that is written most like the one given; null where none is near: more than a third of it would have to change. */
export function nearestOf(known: readonly string[], given: string): string | null {
  if (known.length === 0) return null
  const found = closest(given, known)
  return distance(given, found) <= Math.max(2, Math.floor(found.length / 3)) ? found : null
}

/** The id of a row of this model that is written most like the one given: of base, of a bank, or of a key; or null. */
export function nearestRow(model: BodyModel, given: string): string | null {
  return nearestOf(rowsOf(model), given)
}

const rowsOf = memoize((model: BodyModel): readonly string[] => {
  const base = model.settings.flatMap((setting) => {
    const cells = baseCells(model, setting)
    const both = setting.shared === undefined ? [] : [bothSides]
    return cells
      ? [...cells, ...both].map((cell) => baseCellRow(setting.id, cell))
      : [baseCellRow(setting.id, null)]
  })
  const banks = model.families.flatMap((family) =>
    family.slots.flatMap((slot) =>
      model.settings
        .filter(({ storedBy }) => storedBy === family.id)
        .map((setting) => bankRow(family.id, slot.id, setting.id)),
    ),
  )
  return ['title', ...base, ...banks, ...[...lookup(model).addresses.values()].map(keyRow)]
})
