import { defined, type BodySteps } from '../form'
import { evAtIso, neededIso, shutterAtIso } from '../light'
import { stopsBetween } from '../motion'
import { showAmount } from '../quantities'
import { inputs } from './inputs'

const { ev, aperture, shutter, iso } = inputs

const equation = 'exposure equation, EV at ISO 100: 2^EV = 100 · N² / (t · ISO)'
const scene = 'The light as metered on what is to be grey. A face is half a stop to a stop lighter.'
const floor = { name: 'Auto ISO minimum', quantity: 'iso', from: 'exposure.isoFloor', single: true } as const
const cap = { name: 'Auto ISO maximum', quantity: 'iso', from: 'exposure.isoCap', single: true } as const

/** What light asks for, and what results from it. */
export const lightNumbers = [
  defined({
    id: 'needed-iso',
    name: 'ISO needed',
    group: 'light',
    asks: 'Which ISO does the light ask for?',
    also: 'sensitivity exposure low light',
    formula: 'ISO = 100 · N² / (t · 2^EV)',
    source: equation,
    limits: scene,
    inputs: { ev, aperture, shutter },
    results: { iso: { name: 'ISO', quantity: 'iso', step: 'iso' } },
    filled: ['100 · {aperture}² / ({shutter} · 2^{ev}) = {iso}'],
    work: (v) => ({ iso: neededIso(v.ev, v.aperture, v.shutter) }),
    verdict({ iso: [, most] }, _v, _c, { iso: steps }) {
      const [first, last] = [steps[0], steps.at(-1)]
      const over = last ? Math.log2(most / last.amount) : 0
      if (last && over > 0.17)
        return {
          words: [
            `At the darkest ${showAmount('stops', over)} more than ${last.mark}, the highest: it cannot be had so.`,
          ],
          fits: false,
        }
      const under = first ? Math.log2(first.amount / most) : 0
      return first && under > 0.17
        ? {
            words: [
              `${showAmount('stops', under)} too bright even at ${first.mark}: a shorter time, a narrower aperture or a filter.`,
            ],
            fits: false,
          }
        : { words: [], fits: true }
    },
  }),
  defined({
    id: 'needed-shutter',
    name: 'Shutter speed that results',
    group: 'light',
    asks: 'Which shutter speed does the light leave at this aperture and ISO?',
    also: 'exposure time auto ISO capped',
    formula: 't = 100 · N² / (ISO · 2^EV)',
    source: equation,
    limits: scene,
    inputs: { ev, aperture, iso },
    results: { shutter: { name: 'Shutter speed', quantity: 'time', step: 'shutter' } },
    filled: ['100 · {aperture}² / ({iso} · 2^{ev}) = {shutter}'],
    work: (v) => ({ shutter: shutterAtIso(v.ev, v.aperture, v.iso) }),
  }),
  defined({
    id: 'needed-aperture',
    name: 'Aperture needed',
    group: 'light',
    asks: 'Which aperture does the light ask for?',
    also: 'f-number stop lens speed',
    formula: 'N = √(t · ISO · 2^EV / 100)',
    source: equation,
    limits: scene,
    inputs: { ev, shutter, iso },
    results: { aperture: { name: 'Aperture', quantity: 'aperture', step: 'aperture' } },
    filled: ['√({shutter} · {iso} · 2^{ev} / 100) = {aperture}'],
    work: (v) => ({ aperture: Math.sqrt((v.shutter * v.iso * 2 ** v.ev) / 100) }),
  }),
  defined({
    id: 'exposure-value',
    name: 'Light an exposure is made for',
    group: 'light',
    asks: 'For which light is this exposure right?',
    also: 'EV LV light value exposure value meter',
    formula: 'EV = log₂(100 · N² / (t · ISO))',
    source: equation,
    limits: scene,
    inputs: { aperture, shutter, iso },
    results: { ev: { name: 'Light', quantity: 'ev' } },
    filled: ['log₂(100 · {aperture}² / ({shutter} · {iso})) = {ev}'],
    work: (v) => ({ ev: evAtIso(v.aperture, v.shutter, v.iso) }),
  }),
  defined({
    id: 'light-between',
    name: 'Stops between two exposures',
    group: 'light',
    asks: 'How much brighter or darker is the second?',
    also: 'exposure jump difference bank compensation',
    formula: 'log₂(t₂/t₁) + log₂(N₁²/N₂²) + log₂(S₂/S₁)',
    source: equation,
    limits: 'Of the marks, as photographers count: the true times differ a little.',
    inputs: {
      shutter: { ...shutter, name: 'First shutter speed' },
      aperture: { ...aperture, name: 'First aperture' },
      iso: { ...iso, name: 'First ISO' },
      shutter2: { name: 'Second shutter speed', quantity: 'time' },
      aperture2: { name: 'Second aperture', quantity: 'aperture' },
      iso2: { name: 'Second ISO', quantity: 'iso' },
    },
    results: {
      stops: { name: 'The second is brighter by', quantity: 'stops' },
      byTime: { name: 'of it by time', quantity: 'stops' },
      byAperture: { name: 'by aperture', quantity: 'stops' },
      byIso: { name: 'by ISO', quantity: 'stops' },
    },
    filled: ['{byTime} + {byAperture} + {byIso} = {stops}'],
    work(v) {
      const found = stopsBetween(
        { seconds: v.shutter, aperture: v.aperture, iso: v.iso },
        { seconds: v.shutter2, aperture: v.aperture2, iso: v.iso2 },
      )
      return {
        stops: found.stops,
        byTime: found.shutterStops,
        byAperture: found.apertureStops,
        byIso: found.isoStops,
      }
    },
  }),
  defined({
    id: 'metered-exposure',
    name: 'Exposure that results',
    group: 'light',
    asks: 'With auto ISO: which ISO, time and aperture result, and where is light short?',
    also: 'auto iso minimum shutter speed priority manual cap floor shortfall unreachable',
    formula:
      'manual: ISO = 100 · N² / (t · 2^EV) between minimum and maximum; aperture priority: the minimum shutter speed is kept until ISO is at its maximum, then the time grows; shutter priority: the aperture opens first, then ISO rises',
    source: equation,
    limits:
      'Program is the camera’s own curve and is not reckoned: test it on the body. Compensation and metering shift all of it.',
    choices: {
      mode: {
        name: 'Exposure mode',
        of: {
          manual: 'Manual',
          aperture: 'Aperture priority',
          shutter: 'Shutter priority',
          program: 'Program',
        },
        from: 'exposure.mode',
      },
    },
    inputs: {
      ev,
      aperture,
      narrowest: {
        name: 'Narrowest aperture',
        quantity: 'aperture',
        from: 'lens.narrowest',
        usual: ['f/22', 'most lenses'],
        single: true,
      },
      shutter: { ...shutter, name: 'Shutter speed, or the minimum', from: 'exposure.slowest' },
      floor,
      cap,
    },
    results: {
      iso: { name: 'ISO', quantity: 'iso', step: 'iso' },
      shutter2: { name: 'Shutter speed', quantity: 'time', step: 'shutter' },
      aperture2: { name: 'Aperture', quantity: 'aperture', step: 'aperture' },
      short: { name: 'Light is short by', quantity: 'stops' },
      over: { name: 'Too bright by', quantity: 'stops' },
    },
    filled: ['100 · {aperture2}² / ({shutter2} · 2^{ev}) = {iso}, between {floor} and {cap}'],
    impossible: (v, { mode }) =>
      mode === 'program'
        ? 'In program the camera goes by a curve of its own: which time and aperture it takes is not known. Test on body.'
        : v.floor > v.cap
          ? `The minimum, ${showAmount('iso', v.floor)}, is above the maximum, ${showAmount('iso', v.cap)}.`
          : v.aperture > v.narrowest
            ? `${showAmount('aperture', v.aperture)} is narrower than the narrowest, ${showAmount('aperture', v.narrowest)}.`
            : null,
    work: (v, { mode }, steps) => metered(v, mode, steps),
    verdict(
      { short: [, dark], over: [, bright], shutter2: [, slowest], aperture2 },
      { shutter: [, asked], cap: [most], ev: [least] },
      { mode },
    ) {
      const words: string[] = []
      if (dark > 0.05)
        words.push(
          `At EV ${least} light is short by ${showAmount('stops', dark)} at ${showAmount('iso', most)}: a longer time, a wider aperture, or more light.`,
        )
      if (mode === 'aperture' && slowest > asked * 1.05)
        words.push(
          `At EV ${least} ISO is at its maximum and the time grows to ${showAmount('time', slowest)}, past the minimum of ${showAmount('time', asked)}.`,
        )
      if (mode === 'shutter' && aperture2[0] < aperture2[1])
        words.push('The aperture opens first, then ISO rises.')
      if (bright > 0.05)
        words.push(
          `At the brightest it is too bright by ${showAmount('stops', bright)}: shorter, narrower, or a filter.`,
        )
      return {
        words,
        fits: dark <= 0.05 && bright <= 0.05 && !(mode === 'aperture' && slowest > asked * 1.05),
      }
    },
    curve(
      { ev: [dark, bright], aperture: [n], narrowest: [narrow], shutter: [t], floor: [low], cap: [high] },
      { mode },
    ) {
      const [from, to] = dark === bright ? [dark - 5, dark + 5] : [dark - 1, bright + 1]
      const at = (each: number) =>
        metered({ ev: each, aperture: n, narrowest: narrow, shutter: t, floor: low, cap: high }, mode)
      const evs = Array.from({ length: 1001 }, (_, i) => from + ((to - from) * i) / 1000)
      return {
        name: 'ISO by light',
        x: { name: 'EV', quantity: 'ev' },
        y: { name: 'ISO', quantity: 'iso' },
        lines: [{ name: 'ISO', points: evs.map((each) => [each, at(each).iso] as const) }],
      }
    },
  }),
  defined({
    id: 'iso-sets',
    name: 'Two ISO ranges',
    group: 'light',
    asks: 'How wide are two auto ISO ranges, and do they meet?',
    also: 'auto ISO sets overlap gap jump span',
    formula: 'width = log₂(maximum / minimum); shared = log₂(the lower maximum / the higher minimum)',
    source: 'stops are doublings of ISO',
    limits: 'Within what they share nothing jumps when one takes the place of the other.',
    inputs: {
      floor,
      cap,
      floor2: { ...floor, name: 'Second minimum', from: 'exposure.isoFloor.second' },
      cap2: { ...cap, name: 'Second maximum', from: 'exposure.isoCap.second' },
    },
    results: {
      first: { name: 'First', quantity: 'stops' },
      second: { name: 'Second', quantity: 'stops' },
      shared: { name: 'Shared', quantity: 'stops' },
      apart: { name: 'Between them', quantity: 'stops' },
    },
    filled: ['log₂({cap} / {floor}) = {first}; log₂({cap2} / {floor2}) = {second}'],
    impossible: (v) => (v.floor > v.cap || v.floor2 > v.cap2 ? 'A minimum is above its maximum.' : null),
    work(v) {
      const both = Math.log2(Math.min(v.cap, v.cap2) / Math.max(v.floor, v.floor2))
      return {
        first: Math.log2(v.cap / v.floor),
        second: Math.log2(v.cap2 / v.floor2),
        shared: Math.max(0, both),
        apart: Math.max(0, -both),
      }
    },
    verdict: ({ apart: [gap] }) =>
      gap > 0.01
        ? { words: [`${showAmount('stops', gap)} lie between them, which neither reaches.`], fits: false }
        : { words: [], fits: true },
  }),
  defined({
    id: 'hand-held',
    name: 'Minimum shutter speed in the hand',
    group: 'light',
    asks: 'Which shutter speed can be held?',
    also: 'camera shake rule reciprocal stabiliser lens change',
    formula: 't = 2^stabiliser / (focal length · crop)',
    source: 'rule of thumb: one over the focal length as on a full-size sensor',
    limits: 'A steady hand does better, a large print worse. It holds for the camera, not for what moves.',
    inputs: {
      focal: inputs.focal,
      crop: { name: 'Crop', quantity: 'factor', from: 'sensor.crop', usual: ['1 ×', 'a full-size sensor'] },
      stabiliser: {
        name: 'Stabiliser is good for',
        quantity: 'stops',
        from: 'owner.handheldStops',
        usual: ['0 stops', 'no stabiliser'],
      },
    },
    results: { shutter: { name: 'Not slower than', quantity: 'time', step: 'shutter', atMost: true } },
    filled: ['2^{stabiliser} / ({focal} · {crop}) = {shutter}'],
    work: (v) => ({ shutter: 2 ** v.stabiliser / (v.focal * v.crop) }),
  }),
  defined({
    id: 'freeze',
    name: 'Shutter speed that freezes',
    group: 'light',
    asks: 'Which shutter speed freezes what moves?',
    also: 'motion blur action subject speed',
    formula: 't = blur · distance / (speed · focal length)',
    source: 'similar triangles: on the sensor it moves focal length · speed / distance a second',
    limits:
      'Moving straight across; towards the camera it moves far less. Hands and feet are faster than the body.',
    inputs: {
      speed: { name: 'It moves at', quantity: 'speed' },
      distance: { name: 'From a distance of', quantity: 'metres' },
      focal: inputs.focal,
      blur: {
        name: 'Blur on the sensor',
        quantity: 'millimetres',
        usual: ['0.03 mm', 'not seen at arm’s length, full-size sensor'],
      },
    },
    results: {
      shutter: { name: 'Not slower than', quantity: 'time', step: 'shutter', atMost: true },
    },
    filled: ['{blur} · {distance} / ({speed} · {focal}) = {shutter}'],
    work: (v) => ({ shutter: (v.blur * v.distance) / (v.speed * v.focal) }),
  }),
  defined({
    id: 'flash-sync',
    name: 'Flash and shutter speed',
    group: 'light',
    asks: 'Does the flash light the whole picture, and how much must the daylight be cut?',
    also: 'sync speed x-sync high-speed fill',
    formula: 'over = log₂(sync / t)',
    source: 'a curtain is fully open only at its sync speed and slower',
    limits:
      'High-speed sync lights at any time, with a fraction of its power. With an electronic shutter most flashes do not fire.',
    inputs: {
      shutter,
      sync: {
        name: 'Fastest with flash',
        quantity: 'time',
        from: 'flash.sync',
        usual: ['1/200', 'usual for curtains'],
        single: true,
      },
    },
    results: { over: { name: 'Too fast by', quantity: 'stops' } },
    filled: ['log₂({sync} / {shutter}) = {over}'],
    work: (v) => ({ over: Math.max(0, Math.log2(v.sync / v.shutter)) }),
    verdict: ({ over: [, most] }, { sync: [fastest] }) =>
      most > 0.01
        ? {
            words: [
              `A strip stays dark. At ${showAmount('time', fastest)} it takes a filter of ${showAmount('stops', most)}, or an aperture narrower by as much.`,
            ],
            fits: false,
          }
        : { words: ['The whole picture is lit.'], fits: true },
  }),
  defined({
    id: 'flash-range',
    name: 'How far a flash reaches',
    group: 'light',
    asks: 'How far does the flash light at this aperture and ISO?',
    also: 'guide number distance',
    formula: 'distance = guide number / N · √(ISO / 100)',
    source: 'guide number in metres at ISO 100; light falls with the square of the distance',
    limits: 'Bounced off a ceiling it reaches a third. Guide numbers are told at a narrow beam.',
    inputs: { guide: { name: 'Guide number', quantity: 'metres' }, aperture, iso },
    results: { distance: { name: 'Reaches', quantity: 'metres' } },
    filled: ['{guide} / {aperture} · √({iso} / 100) = {distance}'],
    work: (v) => ({ distance: (v.guide / v.aperture) * Math.sqrt(v.iso / 100) }),
  }),
  defined({
    id: 'filter',
    name: 'ND filter',
    group: 'light',
    asks: 'Which filter gives this shutter speed?',
    also: 'neutral density grey filter long exposure factor',
    formula: 'stops = log₂(wanted / metered); factor = 2^stops; density = 0.3 · stops',
    source: 'each stop halves the light',
    limits: 'A polariser takes one to two stops besides.',
    inputs: {
      metered: { name: 'Shutter speed without it', quantity: 'time', from: 'exposure.shutter' },
      wanted: { name: 'Shutter speed wanted', quantity: 'time' },
    },
    results: {
      stops: { name: 'Filter', quantity: 'stops' },
      factor: { name: 'Factor', quantity: 'times' },
    },
    filled: ['log₂({wanted} / {metered}) = {stops}', '2^{stops} = {factor}'],
    impossible: (v) =>
      v.wanted < v.metered
        ? 'A filter makes the time longer: a shorter one needs more light, a wider aperture or a higher ISO.'
        : null,
    work: (v) => ({ stops: Math.log2(v.wanted / v.metered), factor: v.wanted / v.metered }),
  }),
  defined({
    id: 'bracket',
    procedure: 'bracket-job',
    name: 'Exposure bracket',
    group: 'light',
    asks: 'Which shutter speeds does a bracket take, and how long?',
    also: 'AEB HDR series',
    formula: 'span = (pictures − 1) · step; longest = t · 2^(span / 2)',
    source: 'half of the pictures are darker, half brighter',
    limits: 'With the shutter speed as what changes. An even number lies to one side on some bodies.',
    inputs: {
      shutter: { ...shutter, name: 'Shutter speed in the middle' },
      pictures: { name: 'Pictures', quantity: 'count', aboveZero: true, single: true },
      step: { name: 'Step', quantity: 'stops', single: true, aboveZero: true },
    },
    results: {
      span: { name: 'Span', quantity: 'stops' },
      shortest: { name: 'Shortest', quantity: 'time', step: 'shutter' },
      longest: { name: 'Longest', quantity: 'time', step: 'shutter' },
      whole: { name: 'All of it', quantity: 'seconds' },
    },
    filled: [
      '({pictures} − 1) · {step} = {span}',
      '{shutter} · 2^(−{span} / 2) = {shortest}; {shutter} · 2^({span} / 2) = {longest}',
    ],
    impossible: ({ pictures, step }) =>
      pictures > 99 || (pictures - 1) * step > 30
        ? `${pictures} pictures ${showAmount('stops', step)} apart are more than any scene has: at most 99 pictures, over 30 stops.`
        : null,
    work({ shutter: t, pictures, step }) {
      const span = (pictures - 1) * step
      const times = Array.from({ length: pictures }, (_, i) => t * 2 ** (i * step - span / 2))
      return {
        span,
        shortest: t * 2 ** (-span / 2),
        longest: t * 2 ** (span / 2),
        whole: times.reduce((sum, one) => sum + one, 0),
      }
    },
  }),
]

/** What automatic exposure comes to with auto ISO; amounts of one case, stops short (dark) and over (bright) at least 0. */
function metered(
  v: Readonly<Record<'ev' | 'aperture' | 'narrowest' | 'shutter' | 'floor' | 'cap', number>>,
  mode: string,
  steps?: BodySteps,
) {
  const shortest = steps?.shutter.at(-1)?.amount ?? 1 / 8000
  const longest = steps?.shutter[0]?.amount ?? 30
  const clamp = (amount: number, least: number, most: number) => Math.min(most, Math.max(least, amount))
  const result = (iso: number, shutter2: number, aperture2: number) => {
    const off = Math.log2(neededIso(v.ev, aperture2, shutter2) / iso)
    return { iso, shutter2, aperture2, short: Math.max(0, off), over: Math.max(0, -off) }
  }
  const isoFor = (n: number, t: number) => clamp(neededIso(v.ev, n, t), v.floor, v.cap)
  if (mode === 'aperture') {
    const kept = neededIso(v.ev, v.aperture, v.shutter)
    const iso = clamp(kept, v.floor, v.cap)
    const t = kept === iso ? v.shutter : shutterAtIso(v.ev, v.aperture, iso)
    return result(iso, clamp(t, shortest, longest), v.aperture)
  }
  if (mode === 'shutter') {
    const atFloor = Math.sqrt((v.shutter * v.floor * 2 ** v.ev) / 100)
    const n = clamp(atFloor, v.aperture, v.narrowest)
    return result(isoFor(n, v.shutter), v.shutter, n)
  }
  return result(isoFor(v.aperture, v.shutter), v.shutter, v.aperture)
}
