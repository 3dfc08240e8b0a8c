/** The Prove station: procedures of a plan, walked, played and recorded. */
export { ProveStation } from './prove-station'
export type { ProveKnown } from './use-prove-station'
