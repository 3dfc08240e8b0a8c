/** The Carry station: what other features and pages use of it. */
export { CarryStation } from './carry-station'
