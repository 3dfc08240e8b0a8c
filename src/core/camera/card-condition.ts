/** What the card in a simulated body can be made to be like, in words. */
export const cardWords = {
  ready: 'in the body, ready',
  locked: 'in the body, locked',
  full: 'in the body, full',
  none: 'no card',
} as const

/** What a card is like. */
export type CardCondition = keyof typeof cardWords

/** Every condition of a card. */
export const cardConditions = Object.keys(cardWords) as CardCondition[]
