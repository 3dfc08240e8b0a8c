/** The Banks station: what other features and pages use of it. */
export { BanksStation } from './banks-station'
