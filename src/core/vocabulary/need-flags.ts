/** What matters about a need besides how often it comes: quickly; with the eye at the finder; while recording. */
export const needFlags = ['urgent', 'finder', 'recording'] as const

/** One of `needFlags`. */
export type NeedFlag = (typeof needFlags)[number]
