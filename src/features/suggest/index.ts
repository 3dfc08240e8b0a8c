/** The best arrangement, asked for: what other features and pages use of it. */
export { SuggestPanel } from './suggest-panel'
