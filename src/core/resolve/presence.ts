import type { Control, Presence } from '../model/types'
import type { Context } from './context'

/** What is on the camera, as far as a control needs it. */
export type Fitted = Pick<Context, 'lens' | 'attached'>

/** What each kind of presence asks for, and what is said where it is not so. */
export const presences: Record<Presence, { there: (fitted: Fitted) => boolean; because: string }> = {
  'lens-key': { there: ({ lens }) => lens.keys.length > 0, because: 'This lens has no key.' },
  'lens-ring': {
    there: ({ lens }) => lens.ring !== null,
    because: 'This lens has no ring besides the one that focuses.',
  },
  adapter: {
    there: ({ attached }) => attached?.includes('adapter') ?? false,
    because: 'It is on the adapter, which is not on the camera.',
  },
  grip: {
    there: ({ attached }) => attached?.includes('grip') ?? false,
    because: 'It is on the vertical grip, which is not on the camera.',
  },
}

/** Whether a control is there at all, with what is on the camera. */
export function isThere(control: Control, fitted: Fitted): boolean {
  return control.presence === undefined || presences[control.presence].there(fitted)
}
