/** What is printed: what other features and pages use of it. */
export { PocketCard } from './pocket-card'
