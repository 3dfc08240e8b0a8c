/** What the needs cost, shown in several stations: what other features and pages use of it. */
export { EyeSign } from './eye-sign'
export { Change, ReachStrip } from './reach-strip'
export { formula } from './formula'
export { percent, secondsOf } from './words'
