import { defined } from '../form'

const own = 'a range of our own for current cameras: measure yours'
const capacity = { name: 'A battery holds', quantity: 'wattHours' } as const
const usable = {
  name: 'Of it usable',
  quantity: 'percent',
  usual: ['80-95 %', 'cold and age take the rest'],
  aboveZero: true,
} as const
const filming = { name: 'Drawn while filming', quantity: 'watts', usual: ['4-7 W', own] } as const
const awake = { name: 'Drawn with finder or screen on', quantity: 'watts', usual: ['2.5-4 W', own] } as const

/** What batteries last. */
export const batteryNumbers = [
  defined({
    id: 'battery-day',
    name: 'Batteries for a day',
    group: 'battery',
    asks: 'How many batteries does the day need?',
    also: 'power charge last spare standby',
    formula: 'Wh = on · W + filming · W + standby · W; batteries = Wh / (held · usable), rounded up',
    source: 'energy = power · time',
    limits: 'What a camera draws is seldom told: the ranges hold for most. Frost takes up to half.',
    inputs: {
      capacity,
      usable,
      on: { name: 'Finder or screen on', quantity: 'hours' },
      awake,
      film: { name: 'Filming', quantity: 'hours', usual: ['0 h', 'no film'] },
      filming,
      day: { name: 'The day has', quantity: 'hours', from: 'work.hours' },
      asleep: { name: 'Drawn in standby', quantity: 'watts', usual: ['0.05-0.3 W', own] },
    },
    results: {
      energy: { name: 'The day takes', quantity: 'wattHours' },
      batteries: { name: 'Batteries', quantity: 'count' },
      each: { name: 'One lasts, with the finder on', quantity: 'hours' },
    },
    filled: [
      '{on} · {awake} + {film} · {filming} + the rest of {day} · {asleep} = {energy}',
      '{energy} / ({capacity} · {usable}), rounded up = {batteries}',
      '{capacity} · {usable} / {awake} = {each}',
    ],
    impossible: ({ on, film, day }) =>
      on + film > day + 1e-9
        ? 'Finder and film together take longer than the day has: say fewer hours, or a longer day.'
        : null,
    work({ capacity: held, usable: share, on, awake: watts, film, filming, day, asleep }) {
      const energy = on * watts + film * filming + (day - on - film) * asleep
      const one = (held * share) / 100
      return { energy, batteries: Math.max(1, Math.ceil(energy / one - 1e-9)), each: one / watts }
    },
  }),
  defined({
    id: 'battery-frames',
    name: 'Pictures and film from your batteries',
    group: 'battery',
    asks: 'How many pictures, or how much film, do the batteries in hand give?',
    also: 'shots per charge battery life frames minutes recording',
    formula: 'pictures = n · Wh · usable / W · pictures an hour; minutes = n · Wh · usable / W filming · 60',
    source: 'energy = power · time',
    limits: 'Either the pictures or the film, not both. A day with long looks between pictures gives fewer.',
    inputs: {
      count: { name: 'Batteries', quantity: 'count', usual: ['1', 'for each'] },
      capacity,
      usable,
      awake,
      pace: {
        name: 'Pictures an hour, with the finder on',
        quantity: 'count',
        usual: ['60-300', 'from a slow afternoon to a busy hour'],
      },
      filming,
    },
    results: {
      frames: { name: 'Pictures', quantity: 'count' },
      film: { name: 'Or film', quantity: 'minutes' },
    },
    filled: [
      '{count} · {capacity} · {usable} / {awake} · {pace} = {frames}',
      '{count} · {capacity} · {usable} / {filming} = {film}',
    ],
    work({ count, capacity: held, usable: share, awake: watts, pace, filming: drawn }) {
      const energy = (count * held * share) / 100
      return { frames: Math.floor((energy / watts) * pace + 1e-9), film: (energy / drawn) * 60 }
    },
  }),
  defined({
    id: 'battery-savers',
    name: 'What saves the battery',
    group: 'battery',
    asks: 'What does switching something off buy?',
    also: 'power saving radio wireless stabiliser brightness pre-focus',
    formula: 'gained = held · usable / (drawn − saved) − held · usable / drawn',
    source: 'energy = power · time; what each draws: a range of our own',
    limits:
      'What each draws differs from camera to camera: measure yours. Together they gain more than the sum.',
    inputs: {
      capacity,
      usable,
      drawn: { ...awake },
      radio: { name: 'Wireless draws', quantity: 'watts', usual: ['0.2-0.5 W', own] },
      stabiliser: { name: 'Stabiliser draws', quantity: 'watts', usual: ['0.2-0.6 W', own] },
      bright: { name: 'Bright over dim screen', quantity: 'watts', usual: ['0.2-0.5 W', own] },
      focus: { name: 'AF that never rests', quantity: 'watts', usual: ['0.2-0.6 W', own] },
    },
    results: {
      lasts: { name: 'As it is, one lasts', quantity: 'minutes' },
      radioOff: { name: 'Wireless off', quantity: 'minutes' },
      stabiliserOff: { name: 'Stabiliser off, on a tripod', quantity: 'minutes' },
      dimmed: { name: 'Screen dimmed', quantity: 'minutes' },
      focusRests: { name: 'AF before the shutter button off', quantity: 'minutes' },
    },
    filled: ['{capacity} · {usable} / {drawn} = {lasts}'],
    impossible: ({ drawn, radio, stabiliser, bright, focus }) =>
      Math.max(radio, stabiliser, bright, focus) >= drawn
        ? 'A part cannot draw as much as the whole camera.'
        : null,
    work({ capacity: held, usable: share, drawn, radio, stabiliser, bright, focus }) {
      const minutes = (watts: number) => ((held * share) / 100 / watts) * 60
      const gained = (saved: number) => minutes(drawn - saved) - minutes(drawn)
      return {
        lasts: minutes(drawn),
        radioOff: gained(radio),
        stabiliserOff: gained(stabiliser),
        dimmed: gained(bright),
        focusRests: gained(focus),
      }
    },
    verdict: () => ({ words: ['Each is told as minutes gained on one battery.'], fits: null }),
  }),
]
