/** What stands beside the plate, by what it is called. */
export const panels = { key: 'Keys', reach: 'Reach', dials: 'Dials', suggest: 'Suggest' } as const

/** One of `panels`. */
export type Panel = keyof typeof panels
