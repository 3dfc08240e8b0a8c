/** The Foundation station: what other features and pages use of it. */
export { FoundationStation } from './foundation-station'
