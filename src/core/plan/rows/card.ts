import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesNumber } from './takes'

/** Size in gigabytes, and what the card keeps up writing in megabytes a second; of several the smallest and the slowest. */
export const cardFacts = { size: [0.1, 100_000, 'GB'], rate: [0.1, 20_000, 'MB/s'] } as const

/** A fact of the cards that are used in one slot. */
export interface CardRow {
  readonly kind: 'card'
  readonly slot: string
  readonly fact: keyof typeof cardFacts
}

/** The id of the row that holds a fact of the cards used in a slot. */
export function cardRow(slot: string, fact: CardRow['fact']): RowId {
  return rowId(`card/${slot}/${fact}`)
}

export const cardKind: RowKind<CardRow> = {
  kind: 'card',
  heads: ['card'],
  form: [
    'card/<slot>/<size or rate>',
    'of the cards used in a slot, the smallest size in GB and the slowest sustained write rate in MB/s',
  ],
  parse({ model, id, parts }) {
    const [slot = '', fact = ''] = parts
    if (!model.cards.slots.some((one) => one.id === slot)) return unknownPart(id, slot)
    if (parts.length !== 2 || !Object.hasOwn(cardFacts, fact)) return unknownPart(id, fact)
    return ok({ kind: 'card', slot, fact: fact as CardRow['fact'] })
  },
  id: ({ slot, fact }) => cardRow(slot, fact),
  accepts(_model, { fact }, value, id) {
    const [from, to, unit] = cardFacts[fact]
    return takesNumber(from, to, value, id, unit)
  },
  describe: {
    place: ({ slot, fact }) => `Card in ${slot}, ${fact === 'size' ? 'size' : 'write rate'}`,
    value: (_model, { fact }, value) =>
      value === null ? 'not said' : `${String(value)} ${cardFacts[fact][2]}`,
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'foundation',
}
