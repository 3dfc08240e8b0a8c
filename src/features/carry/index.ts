/** Carrying to bodies: what other features and pages use of it. */
export { CarryStation } from './carry-station'
export { CarryWork } from './carry-work'
export type { PastTransfer } from './sources'
