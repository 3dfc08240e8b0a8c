import { linesOf } from './text-table'

/** A page of settings by what they are about, beside the camera's own menu order. */
export interface Subject {
  readonly id: string
  readonly name: string
  /** What is decided on it, in a sentence. */
  readonly purpose: string
  /** Common ids, or beginnings of them ended by a dot or a star; an exact id counts before a beginning, a longer one before a shorter. */
  readonly of: readonly string[]
}

/** A subject's line: id | name | what is decided | common settings. In the order in which they are best worked. */
const text = `
comfort | Comfort | Sounds, radios, time-outs and lamps: what disturbs, and what empties the battery. | body. power. network. display.language
files | Files and cards | What is written, how it is named, and where it goes. | files. cards. image.kind image.rawKind image.rawBits image.quality image.size image.rawSize image.ratio image.format image.hdr
exposure | Exposure | Who chooses shutter speed, aperture and ISO, and what the meter looks at. | exposure.
flash | Flash | Sync, the slowest shutter speed and ISO with flash, and what compensation changes. | flash.
drive | Drive and shutter | One picture or a burst, which shutter, which stabiliser. | drive. shutter. stabiliser. exposure.bracket* exposure.burstLock image.multiShot image.composite
focus | Focus | What starts autofocus, where it looks, and how it follows. | focus.
aids | Focus and exposure aids | What the finder shows to judge sharpness and light by. | assist. focus.magnify* focus.peaking* focus.distance* focus.depthOverlay focus.guide focus.confirmBeep focus.pointDisplay focus.detectionMark exposure.preview
film | Film format | Size, rate, compression and tone curve. | movie.
sound | Sound | Level, limiter, filters, and what is heard. | audio.
display | Display pages | What is shown where, and which of finder and screen is on. | display. image.cropWarning
colour | Colour and corrections | White balance, look, colour space, and what the camera corrects. | colour. image.
controls | Controls | Dials, ring, touch and lock. | controls. image.zoomKind image.digitalZoom
`

/** Every subject, in the order in which they are best worked. */
export const subjects: readonly Subject[] = linesOf(text, 4).map(
  ([id = '', name = '', purpose = '', of = '']) => ({ id, name, purpose, of: of.split(' ') }),
)

/** The subject that a common setting belongs to; null for a setting that means nothing common. */
export function subjectOf(means: string | null): Subject | null {
  if (means === null) return null
  let best: { readonly subject: Subject; readonly length: number } | null = null
  for (const subject of subjects) {
    for (const one of subject.of) {
      const begins = one.endsWith('.') ? one : one.endsWith('*') ? one.slice(0, -1) : null
      const fits = begins === null ? means === one : means.startsWith(begins)
      const length = begins === null ? Infinity : begins.length
      if (fits && (best === null || length > best.length)) best = { subject, length }
    }
  }
  return best?.subject ?? null
}
