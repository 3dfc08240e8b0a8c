import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { parseSlot, type SlotOf } from './slot'
import { takesOneOf } from './takes'

/** What an owner says of two slots in force together. */
export const pairMarks = ['sensible', 'risky', 'unused'] as const

/** What the owner says of two slots of two families in force together; they stand in the model's order. */
export interface PairRow {
  readonly kind: 'pair'
  readonly one: SlotOf
  readonly other: SlotOf
}

/** The id of what the owner says of two slots together. */
export function pairRow(
  one: { readonly family: string; readonly slot: string },
  other: { readonly family: string; readonly slot: string },
): RowId {
  return rowId(`pair/${one.family}/${one.slot}/${other.family}/${other.slot}`)
}

export const pairKind: RowKind<PairRow> = {
  kind: 'pair',
  heads: ['pair'],
  form: [
    'pair/<family>/<slot>/<family>/<slot>',
    'what the owner says of two slots in force together: sensible, risky, unused',
  ],
  parse({ model, id, parts }) {
    const [a, b, c, d] = parts
    const [one, other] = [parseSlot(model, id, a, b), parseSlot(model, id, c, d)]
    if (parts.length !== 4 || !one.ok || !other.ok) return unknownPart(id, parts.join('/'))
    const [first, second] = [one.value, other.value].map(({ family }) => model.families.indexOf(family))
    if ((first ?? 0) < (second ?? 0)) return ok({ kind: 'pair', one: one.value, other: other.value })
    return refuse('unknown-row', 'Two slots are paired across families, in the order of the model.', id)
  },
  id: ({ one, other }) =>
    pairRow({ family: one.family.id, slot: one.slot.id }, { family: other.family.id, slot: other.slot.id }),
  accepts: (_model, _row, value, id) => takesOneOf(pairMarks, value, id),
  describe: {
    place: ({ one, other }) => `${one.slot.name} with ${other.slot.name}`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'banks',
}
