/** The Prove station: procedures of a plan, walked, played and recorded. */
export { ProveStation } from './prove-station'
