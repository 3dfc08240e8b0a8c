import type { LensModel } from '../model/types'

/** What a body knows of a lens that is on it, in sentences: what it can read, what it can press, what overrules it. */
export function knownOfLens({ contacts, keys, ring, focusSwitch }: LensModel): string {
  if (!contacts)
    return 'Without contacts: the body knows neither focal length nor aperture; what is kept for lenses holds what was typed last. It focuses by hand.'
  const has = [
    ...(keys.length > 0 ? [keys.length === 1 ? 'a key' : `${keys.length} keys`] : []),
    ...(ring?.readable === true ? ['a ring'] : []),
  ]
  return [
    'The body knows its focal length and its aperture.',
    ...(has.length > 0 ? [`It has ${has.join(' and ')} that the body reads.`] : []),
    ...(focusSwitch === true ? ['Its focus switch overrules the AF mode of the body.'] : []),
  ].join(' ')
}
