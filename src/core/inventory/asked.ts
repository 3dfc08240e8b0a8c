import { factTable, type Fact } from './facts'
import type { RecordKind } from './kinds'
import { lensesIn } from './lenses'
import { factRow, type Inventory, type Library } from './rows'

/** The facts that are asked of a record: all that it may have, and what is said of it in any case. */
export function askedOf(
  library: Library,
  inventory: Inventory,
  kind: RecordKind,
  id: string,
): readonly Fact[] {
  return factTable[kind].filter(
    ({ id: fact, onlyFor }) =>
      onlyFor === undefined ||
      inventory.rows[factRow(kind, id, fact)] !== undefined ||
      mayHave(library, inventory, id, onlyFor),
  )
}

/** Whether a lens is a zoom, or the model of a body has keys on a grip or an adapter; what nobody knows may be. */
function mayHave(
  library: Library,
  inventory: Inventory,
  id: string,
  what: 'grip' | 'adapter' | 'zoom' | 'real',
): boolean {
  if (what === 'zoom') {
    const lens = lensesIn(library, inventory).find((one) => one.id === id)?.lens
    return !lens || lens.focalMm[0] !== lens.focalMm[1]
  }
  if (what === 'real') return inventory.rows[factRow('body', id, 'real')] === true
  const model = library.models.find((one) => one.id === inventory.rows[factRow('body', id, 'model')])
  return !model || model.controls.some(({ presence }) => presence === what)
}
