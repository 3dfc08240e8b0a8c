import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { behind, isLensId, rowId } from './id'
import { unknownPart, type RowKind } from './kind'

/** A lens the plan reckons with: true; false where a lens that the owner has stays at home. */
export interface LensRow {
  readonly kind: 'lens'
  readonly lens: string
}

/** The id of the row that a lens is reckoned with. */
export function lensRow(lens: string): RowId {
  return rowId(`lens/${lens}`)
}

/** The lens a row speaks of; null where it is another row. */
export function lensOf(id: string): string | null {
  return behind(id, 'lens')
}

export const lensKind: RowKind<LensRow> = {
  kind: 'lens',
  heads: ['lens'],
  form: [
    'lens/<lens>',
    'true: the plan reckons with this lens; false: it stays at home, although the inventory has it',
  ],
  parse({ id, parts }) {
    const [lens] = parts
    return parts.length === 1 && isLensId(lens)
      ? ok({ kind: 'lens', lens })
      : unknownPart(id, parts.join('/'))
  },
  id: ({ lens }) => lensRow(lens),
  accepts: (_model, _row, value, id) =>
    typeof value === 'boolean' ? ok(value) : refuse('outside', 'A lens row is true, or false.', id),
  describe: {
    place: ({ lens }) => `Lens ${lens}`,
    value: (_model, _row, value) =>
      value === true ? 'in the bag' : value === false ? 'stays at home' : 'not used',
  },
  invalidates: () => ({ what: 'contexts' }),
  station: () => 'banks',
}
