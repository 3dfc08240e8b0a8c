/** The walk: a procedure gone through beside the camera, one act at a time. */
export { BeginWalk, beginWalk } from './begin-walk'
export type { WalkStart } from './start'
export { Walk } from './walk'
