import type { Figure } from '@/core/banks/figures'

/** What each figure of the banks says, in a sentence. */
export const figureSentences: Readonly<Record<Figure['id'], string>> = {
  shutter:
    'The shutter speed at which movement looks natural at this frame rate: half the time of a frame, 180°. Open a value for its formula.',
  light:
    'How many stops brighter or darker this bank exposes than base, with everything that changes exposure added up. Open a value for its parts.',
  flicker:
    'Mains lamps and LED dimmers pulse. A shutter speed that lasts a whole number of pulses shows no bands; this says how many it lasts.',
  slow: 'How much slower the scene plays than it happened, and how long a while of it lasts on the screen.',
  iso: 'What auto ISO may choose between, and in how little light it reaches its maximum.',
  crop: 'How much of the sensor is used: what a lens looks like in focal length, and whether the pixels suffice for what you deliver.',
  burst:
    'How many frames the buffer holds at this rate and file type, and after how long the burst slows down.',
}
