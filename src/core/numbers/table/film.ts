import { defined } from '../form'
import { slowMotion, cropped } from '../film'
import { keepsStep, nearSafe, pulsesIn, pulsesInWords } from '../flicker'
import { secondsOfAngle } from '../motion'
import { plainAmount, showAmount, showSpan } from '../quantities'
import type { Span } from '../span'
import { inputs } from './inputs'

const { rate, shutter } = inputs

const rotary = 'rotary shutter: open for angle / 360° of each frame'

/** Levels in percent by tone curve: of a grey card, of skin where light falls, of a white card, and where it clips. */
const levels: Readonly<Record<string, Readonly<Record<string, Span>>>> = {
  normal: { grey: [40, 45], skin: [60, 75], white: [88, 95], clip: [99, 105] },
  flat: { grey: [38, 45], skin: [52, 65], white: [72, 85], clip: [94, 100] },
  log: { grey: [33, 42], skin: [42, 55], white: [52, 62], clip: [84, 94] },
  hdr: { grey: [36, 40], skin: [50, 65], white: [73, 77], clip: [98, 102] },
}
const curves = { normal: 'Normal picture', flat: 'Flattened', log: 'Log', hdr: 'HDR, hybrid log-gamma' }
const targets = { skin: 'Skin where light falls', white: 'White card', grey: 'Grey card', clip: 'Clipping' }
const measured =
  'grey card, skin and white card (18 %, about 45 %, 90 %) through usual curves: ranges of our own'

/** What film asks for. */
export const filmNumbers = [
  defined({
    id: 'film-shutter',
    name: 'Shutter speed for a frame rate',
    group: 'film',
    asks: 'Which shutter speed gives natural movement?',
    also: '180 degree rule motion blur',
    formula: 't = angle / (360° · frames a second)',
    source: rotary,
    limits: '180° is the convention; up to a third of a stop off is seen as a look.',
    inputs: {
      rate,
      angle: { name: 'Angle', quantity: 'degrees', from: 'film.angle', usual: ['180°', 'the convention'] },
    },
    results: { shutter: { name: 'Shutter speed', quantity: 'time', step: 'shutter' } },
    filled: ['{angle} / (360° · {rate}) = {shutter}'],
    work: (v) => ({ shutter: secondsOfAngle(v.angle, v.rate) }),
  }),
  defined({
    id: 'shutter-angle',
    name: 'Angle of a shutter speed',
    group: 'film',
    asks: 'Which angle is a shutter speed?',
    also: 'degrees choppy smeared',
    formula: 'angle = t · 360° · frames a second',
    source: rotary,
    limits: 'Below 90° movement looks choppy, above 270° smeared.',
    inputs: { shutter, rate },
    results: {
      angle: { name: 'Angle', quantity: 'degrees' },
      off: { name: 'Against 180°', quantity: 'stops' },
    },
    filled: ['{shutter} · 360° · {rate} = {angle}'],
    impossible: (v) =>
      v.shutter * v.rate > 1.001
        ? `A frame at ${showAmount('rate', v.rate)} lasts 1/${plainAmount(v.rate)} s: ${showAmount('time', v.shutter)} is longer and cannot be set.`
        : null,
    work: (v) => ({ angle: v.shutter * 360 * v.rate, off: Math.log2((v.shutter * v.rate) / 0.5) }),
    verdict: ({ angle: [least, most] }) =>
      least < 90
        ? { words: ['Movement looks choppy.'], fits: false }
        : most > 270
          ? { words: ['Movement smears.'], fits: false }
          : { words: [], fits: true },
  }),
  defined({
    id: 'lamp-pulses',
    name: 'Lamps and shutter speed',
    group: 'film',
    asks: 'Does the shutter speed band under these lamps, and which do not?',
    also: 'flicker banding mains LED PWM dimmer hertz',
    formula: 'pulses = t · f; f = 2 · mains; no bands where pulses are whole',
    source:
      'lamps on mains pulse at each half of its wave; a time of whole pulses gathers the same light wherever it begins',
    limits:
      'A fifth of a hertz matters to dimmed LEDs: measure, or take the time that shows least. A steady lamp has no pulses.',
    choices: {
      counted: {
        name: 'The frequency is',
        of: { mains: 'of the mains', pulses: 'of the lamp, measured' },
        from: 'lamp.counted',
      },
    },
    inputs: {
      shutter: { ...shutter, single: true },
      frequency: { name: 'Frequency', quantity: 'hertz', from: 'lamp.frequency', single: true },
      rate: { ...rate, none: 'stills: no frame rate', single: true },
    },
    results: {
      pulses: { name: 'Pulses in the time', quantity: 'times' },
      perSecond: { name: 'Pulses a second', quantity: 'hertz' },
    },
    filled: ['{shutter} · {perSecond} = {pulses}'],
    impossible: (v) =>
      v.rate > 0 && v.shutter * v.rate > 1.001
        ? `A frame at ${showAmount('rate', v.rate)} lasts 1/${plainAmount(v.rate)} s: ${showAmount('time', v.shutter)} cannot be set.`
        : null,
    work(v, { counted }) {
      const perSecond = counted === 'mains' ? 2 * v.frequency : v.frequency
      return { perSecond, pulses: v.shutter * perSecond }
    },
    verdict({ perSecond: [f] }, { shutter: [t], rate: [frames] }, _c, steps) {
      const longest = frames > 0 ? 1 / frames : Infinity
      const settable = steps.shutter.filter(({ amount }) => amount <= longest * 1.001)
      const { count, whole, safe } = pulsesIn(t, f, settable)
      // Safe steps further off are another exposure.
      const near = nearSafe(safe.filter(({ amount }) => Math.abs(Math.log2(amount / t)) <= 1.5))
      const exact = f / Math.max(1, Math.round(count))
      const instead =
        near === ''
          ? `No step near it is safe; exactly 1/${plainAmount(exact)} would be, where a finer shutter speed can be set.`
          : `Safe are ${near}.`
      const drift = frames > 0 && !keepsStep(frames, f)
      return {
        words: [
          whole
            ? `${showAmount('time', t)} is a whole number of pulses: no bands.`
            : `${showAmount('time', t)} lasts ${pulsesInWords(count)}: it may band. ${instead}`,
          ...(drift
            ? [
                `${showAmount('rate', frames)} does not keep step with the lamps: brightness may pulse slowly from frame to frame.`,
              ]
            : []),
        ],
        fits: whole,
      }
    },
  }),
  defined({
    id: 'slow-motion',
    name: 'Slow motion',
    group: 'film',
    asks: 'How slow is it, and how long does it get?',
    also: 'slow factor high frame rate conform',
    formula: 'factor = captured / played; result = scene · factor',
    source: 'division',
    limits: 'A rate that the editor slows down without a match repeats frames.',
    inputs: {
      captured: { ...rate, name: 'Captured', from: 'film.rate' },
      played: inputs.played,
      scene: { name: 'The scene lasts', quantity: 'seconds', usual: ['10 s', 'for example'] },
    },
    results: {
      factor: { name: 'Slower', quantity: 'times' },
      result: { name: 'Lasts', quantity: 'seconds' },
    },
    filled: ['{captured} / {played} = {factor}', '{scene} · {factor} = {result}'],
    work: (v) => ({
      factor: slowMotion(v.captured, v.played).factor,
      result: (v.scene * v.captured) / v.played,
    }),
    verdict: ({ factor: [least, most] }) => {
      const isWhole = Math.abs(least - Math.round(least)) < 0.01
      return {
        words: [
          ...(most < 1 ? ['It is faster than the scene.'] : []),
          ...(isWhole || least !== most
            ? []
            : ['Not a whole factor: played back in real time, frames repeat unevenly.']),
        ],
        fits: null,
      }
    },
  }),
  defined({
    id: 'crop',
    name: 'Crop',
    group: 'film',
    asks: 'What does a crop leave, and is it wide enough for what is delivered?',
    also: 'equivalent focal length digital zoom headroom oversampling',
    formula:
      'seen as = focal length · factor; width = sensor / factor; pixels = 1 / factor²; headroom = width / delivered',
    source: 'similar triangles',
    limits: 'Sharpness of the lens and noise grow with it.',
    inputs: {
      factor: { name: 'Crop', quantity: 'factor', from: 'sensor.crop' },
      focal: inputs.focal,
      sensor: { name: 'Sensor', quantity: 'pixels', from: 'sensor.width' },
      delivered: {
        name: 'Delivered',
        quantity: 'pixels',
        from: 'work.delivery',
        usual: ['3840 px', 'a wide film frame'],
      },
    },
    results: {
      seenAs: { name: 'Seen as', quantity: 'millimetres' },
      width: { name: 'Width left', quantity: 'pixels' },
      pixels: { name: 'Pixels left', quantity: 'percent' },
      headroom: { name: 'For what is delivered', quantity: 'times' },
    },
    filled: [
      '{focal} · {factor} = {seenAs}',
      '{sensor} / {factor} = {width}; 1 / {factor}² = {pixels}',
      '{width} / {delivered} = {headroom}',
    ],
    work(v) {
      const one = cropped(v.factor, [v.focal, v.focal], v.sensor, v.delivered)
      return {
        seenAs: one.equivalentMm[0],
        width: one.widthPixels,
        pixels: one.pixelsLeft * 100,
        headroom: one.headroom,
      }
    },
    verdict: ({ headroom: [least] }) =>
      least < 1
        ? { words: ['Too few pixels: it has to be enlarged.'], fits: false }
        : { words: [`It can be cut by ${plainAmount(least)} × more.`], fits: true },
  }),
  defined({
    id: 'zebra-level',
    name: 'Zebra level',
    group: 'film',
    asks: 'Where is the zebra to stand for this?',
    also: 'overexposure stripes skin IRE waveform',
    formula: 'the level that the tone curve gives it',
    source: measured,
    limits: 'Curves differ: hold a card of your own into the light once, and note what the waveform says.',
    choices: {
      curve: { name: 'Profile', of: curves, from: 'film.curve' },
      target: { name: 'It is to mark', of: targets },
    },
    inputs: {},
    results: { level: { name: 'Level', quantity: 'percent' } },
    filled: [],
    work: (_v, { curve, target }) => ({ level: levels[curve]?.[target] ?? [0, 0] }),
    verdict: (_r, _v, { curve, target }) => ({
      words:
        target === 'clip' && curve === 'log'
          ? ['Log clips below 95: a zebra at 95 or 100 never shows, and everything looks safe.']
          : target === 'skin'
            ? ['Stripes on the lit side of a face and no more. At 95 a face is long lost.']
            : [],
      fits: null,
    }),
  }),
  defined({
    id: 'zebra-shows',
    name: 'What a zebra marks',
    group: 'film',
    asks: 'What do stripes at this level mean in this profile?',
    also: 'overexposure stripes skin IRE',
    formula: 'what the tone curve puts at that level',
    source: measured,
    limits: 'Curves differ: look at a card of your own once.',
    choices: { curve: { name: 'Profile', of: curves, from: 'film.curve' } },
    inputs: { level: { name: 'Zebra', quantity: 'percent', from: 'film.zebra', single: true } },
    results: { clip: { name: 'It clips at', quantity: 'percent' } },
    filled: [],
    work: (_v, { curve }) => ({ clip: levels[curve]?.clip ?? [0, 0] }),
    verdict(_r, { level: [at] }, { curve }) {
      const table = levels[curve] ?? {}
      const clip = table.clip ?? [0, 0]
      if (at > clip[1])
        return {
          words: ['It never shows: the picture clips below it, and everything looks safe.'],
          fits: false,
        }
      const names = {
        skin: 'skin where light falls',
        white: 'a white card',
        grey: 'a grey card',
        clip: 'what clips',
      }
      const marks = (Object.keys(names) as (keyof typeof names)[]).filter((one) => {
        const [least, most] = table[one] ?? [0, 0]
        return at >= least - 1 && at <= most + 1
      })
      const [first] = marks
      if (first !== undefined)
        return {
          words: [
            `It marks ${marks.map((one) => names[one]).join(' and ')}.${at >= clip[0] && first !== 'clip' ? ' On some curves it never shows.' : ''}`,
          ],
          fits: null,
        }
      const above = (Object.keys(names) as (keyof typeof names)[]).filter(
        (one) => (table[one]?.[0] ?? 0) > at,
      )
      return {
        words: [
          above.length === 4
            ? 'It marks nearly everything.'
            : `It marks what is ${at > (table.white?.[1] ?? 0) ? 'brighter than a white card' : at > (table.skin?.[1] ?? 0) ? 'brighter than skin' : 'brighter than a grey card'}.`,
        ],
        fits: null,
      }
    },
  }),
  defined({
    id: 'sound-level',
    name: 'Sound level',
    group: 'film',
    asks: 'By how much is the sound to be raised or lowered?',
    also: 'audio gain peaks headroom decibel microphone',
    formula: 'change = wanted − peaks; factor = 10^(change / 20)',
    source: 'decibels of full scale: 20 · log₁₀ of the amplitude',
    limits: 'Of the loudest that comes. What is clipped stays clipped, however it is lowered later.',
    inputs: {
      peaks: { name: 'Peaks now', quantity: 'decibels' },
      band: {
        name: 'Peaks wanted',
        quantity: 'decibels',
        from: 'owner.peaks',
        usual: ['-10 to -6 dBFS', 'the usual band'],
      },
    },
    results: {
      change: { name: 'Change', quantity: 'gain' },
      factor: { name: 'As an amplitude', quantity: 'times' },
    },
    filled: ['{band} − {peaks} = {change}'],
    work: (v) => ({ change: v.band - v.peaks, factor: 10 ** ((v.band - v.peaks) / 20) }),
    verdict: (_r, { peaks, band }) =>
      peaks[1] > band[1]
        ? {
            words: [
              peaks[1] >= -0.5
                ? 'It clips: lower it, and record again.'
                : 'Too loud: what comes unexpectedly clips.',
            ],
            fits: false,
          }
        : peaks[0] < band[0]
          ? { words: ['Too low: raised later, noise comes with it.'], fits: false }
          : { words: [`Between ${showSpan('decibels', band)}: as wanted.`], fits: true },
  }),
  defined({
    id: 'interval',
    procedure: 'interval-job',
    name: 'Interval series',
    group: 'film',
    asks: 'How many pictures, how long a film, and does the time between them suffice?',
    also: 'time-lapse intervalometer',
    formula: 'pictures = duration / interval; film = pictures / played; free = interval − t',
    source: 'division',
    limits: 'Processing takes up to a second besides; long-exposure noise reduction doubles the time.',
    inputs: {
      duration: { name: 'It goes on for', quantity: 'minutes' },
      interval: { name: 'Every', quantity: 'seconds', aboveZero: true },
      shutter,
      played: inputs.played,
      file: inputs.file,
    },
    results: {
      pictures: { name: 'Pictures', quantity: 'count' },
      film: { name: 'Film', quantity: 'seconds' },
      data: { name: 'They take', quantity: 'gigabytes' },
    },
    filled: [
      '{duration} · 60 / {interval} = {pictures}',
      '{pictures} / {played} = {film}',
      '{pictures} · {file} / 1000 = {data}',
    ],
    impossible: (v) =>
      v.shutter >= v.interval
        ? `${showAmount('time', v.shutter)} is not over when the next begins, after ${showAmount('seconds', v.interval)}.`
        : null,
    work(v) {
      const pictures = Math.floor((v.duration * 60) / v.interval + 1e-6)
      return { pictures, film: pictures / v.played, data: (pictures * v.file) / 1000 }
    },
  }),
]
