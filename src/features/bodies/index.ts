/** A body in words, wherever it is shown, and its page: what other features and pages use of it. */
export { type BodyLine, endedWords, heldSentence } from './body-line'
export { BodyPage } from './body-page'
export { RealBodyPage } from './real-body-page'
export { RealStanding, type RealLine } from './real-standing'
export { OpenCarries, type OpenCarryLine } from './open-carries'
