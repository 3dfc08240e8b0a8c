/** The Try it station: what other features and pages use of it. */
export { TryStation } from './try-station'
