import type { Figure } from './figures'

/** The figure of `core/numbers` that each is worked out by. */
export const numberOfFigure: Readonly<Record<Figure['id'], string>> = {
  shutter: 'film-shutter',
  light: 'light-between',
  flicker: 'lamp-pulses',
  slow: 'slow-motion',
  iso: 'metered-exposure',
  crop: 'crop',
  burst: 'burst',
}
