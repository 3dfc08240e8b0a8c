/** A body in words, wherever it is shown: what other features and pages use of it. */
export { type BodyLine, endedWords, heldSentence } from './body-line'
