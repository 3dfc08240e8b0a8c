/** The Focus station: what other features and pages use of it. */
export { FocusStation } from './focus-station'
