import { list, number, object, oneNumber, oneOf, optional, record } from './shapes'
import { cells } from './domains'
import { id, idPattern, pair, range, settingId, share, value, words, zone } from './ids'

/** Focus geometry and cards. */

export const focus = object({
  columns: cells,
  rows: cells,
  areas: list(
    object({
      value: id,
      size: pair(share),
      columns: cells,
      rows: cells,
      skip: number({ from: 1, to: 20, whole: true }),
    }),
  ),
  wrapBy: optional(settingId),
  detectionZone: zone,
  trackingZone: zone,
  confirms: record(idPattern, 'values of the focus mode', oneOf(['once-found', 'all-the-time', 'never'])),
  heldWins: oneOf(['first', 'last', 'listed']),
  strongest: optional(list(id, { atLeast: 1 })),
})

export const sensor = object({
  pixels: pair(number({ from: 100, to: 100_000, whole: true })),
  crops: list(object({ setting: settingId, value, factor: number({ from: 1, to: 10 }) })),
  filmWidths: record(idPattern, 'film sizes', number({ from: 100, to: 100_000, whole: true })),
})

export const cards = object({
  slots: list(object({ id, name: words(), kind: words(), ceilingMBps: number({ above: 0 }) }), {
    atLeast: 1,
  }),
  bufferFrames: object({ raw: range, processed: range }),
  rawMegabytes: record(idPattern, 'values of the raw compression', range),
  movieFormats: list(
    object({
      size: id,
      rates: list(words(8), { atLeast: 1 }),
      codec: words(),
      rateMbps: number({ above: 0 }),
      regionHz: optional(oneNumber([50, 60], 'should be 50 or 60')),
    }),
  ),
  bursts: list(
    object({ shutter: id, files: oneOf(['raw', 'processed']), framesPerSecond: number({ above: 0 }) }),
  ),
  files: object({
    perFolder: number({ from: 1, whole: true }),
    folder: words(120),
    nameRule: words(120),
  }),
})
