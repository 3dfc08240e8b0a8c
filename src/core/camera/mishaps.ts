import type { BodyState } from './body'

/** What can be made to go wrong with a simulated body, just before a stage of a transfer. */
export const mishaps = {
  'card-pulled': {
    words: 'The card is pulled out',
    befall: (body: BodyState): BodyState => ({ ...body, card: null }),
  },
  'card-locked': {
    words: 'The card is locked',
    befall: (body: BodyState): BodyState => ({ ...body, card: body.card && { ...body.card, locked: true } }),
  },
  'card-full': {
    words: 'The card is full',
    befall: (body: BodyState): BodyState => ({ ...body, card: body.card && { ...body.card, freeBytes: 0 } }),
  },
  'battery-dies': {
    words: 'The battery dies',
    befall: (body: BodyState): BodyState => ({ ...body, batteryPercent: 1 }),
  },
  'file-damaged': {
    words: 'A bit of every file on the card flips',
    befall: (body: BodyState): BodyState => ({
      ...body,
      card: body.card && {
        ...body.card,
        files: Object.fromEntries(
          Object.entries(body.card.files).map(([name, bytes]) => [name, flipped(bytes)]),
        ),
      },
    }),
  },
  'off-and-on': {
    words: 'What was loaded and not yet in force is lost: somebody takes the battery out',
    befall: (body: BodyState): BodyState => ({ ...body, pending: null }),
  },
} as const

/** The id of a mishap. */
export type MishapId = keyof typeof mishaps

/** Whether something names a mishap. */
export function isMishap(id: unknown): id is MishapId {
  return typeof id === 'string' && Object.hasOwn(mishaps, id)
}

function flipped(bytes: Uint8Array): Uint8Array {
  const copy = bytes.slice()
  const at = Math.floor(copy.length / 2)
  copy[at] = (copy[at] ?? 0) ^ 1
  return copy
}
