import type { LensModel } from './types'

/** Stands for any lens that can talk to the body, where the plan names none. */
export const anyLens: LensModel = {
  format: 'salt-shelf/lens-model',
  formatVersion: 1,
  id: 'any-lens',
  name: 'a lens with contacts',
  fits: 'any body',
  contacts: true,
  focalMm: [50, 50],
  widest: 'f/2',
  keys: [],
  ring: null,
  focusSwitch: false,
  stabiliser: false,
}
