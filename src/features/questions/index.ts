/** Questions that owners answer differently, as they stand beside what they are about. */
export { Question } from './question'
