import { ok, refuse } from '../../result'
import { isOrderKey } from '../../sync/order-key'
import type { RowId } from '../../sync/step'
import { behind, isOwnName, rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'
import { takesOneOf, takesText } from './takes'

/** What a plan says of a situation: its name, its side, where it stands among the others. */
export const situationFacts = ['name', 'side', 'order'] as const

/** One of `situationFacts`. */
export type SituationFact = (typeof situationFacts)[number]

/** A fact of a frame of mind the owner shoots in. */
export interface SituationRow {
  readonly kind: 'situation'
  readonly id: string
  readonly fact: SituationFact
}

/** The id of a fact of a situation. */
export function situationRow(situation: string, fact: SituationFact): RowId {
  return rowId(`situation/${situation}/${fact}`)
}

/** The situation that a row of it speaks of; null where it is another row. */
export function situationOf(id: string): string | null {
  return behind(id, 'situation')?.split('/')[0] ?? null
}

export const situationKind: RowKind<SituationRow> = {
  kind: 'situation',
  heads: ['situation'],
  form: [
    'situation/<id>/<fact>',
    'a frame of mind the owner shoots in: its name, side, and order among the others',
  ],
  parse({ id, parts }) {
    const [situation, name] = parts
    const fact = situationFacts.find((one) => one === name)
    return parts.length === 2 && isOwnName(situation) && fact
      ? ok({ kind: 'situation', id: situation, fact })
      : unknownPart(id, parts.join('/'))
  },
  id: ({ id, fact }) => situationRow(id, fact),
  accepts(model, { fact }, value, id) {
    if (fact === 'side') return takesOneOf(model.sides, value, id)
    if (fact === 'name') return takesText(value, 60, id)
    return typeof value === 'string' && isOrderKey(value)
      ? ok(value)
      : refuse('outside', 'This row takes an order key, such as a0.', id)
  },
  describe: {
    place: ({ id, fact }) => `Situation ${id}, ${fact}`,
    value: (_model, _row, value) => plainValue(value, 'none'),
  },
  invalidates: ({ fact }) => ({ what: fact === 'side' ? 'needs' : 'words' }),
  station: () => 'foundation',
}
