import type { Work } from '../plan/situations'
import type { Value } from '../vocabulary/values'
import { workFact } from '../vocabulary/work'

/** What some work asks of a setting: which values do not suit it, what would, and why. */
export interface WorkRule {
  readonly id: string
  readonly means: string
  readonly side?: 'stills' | 'motion'
  /** Whether the work asks for it; other values of the state may have a say. */
  asks(work: Work, value: (means: string) => Value | undefined): boolean
  /** Whether a value does not suit; `work` for what depends on it. */
  isWrong(value: Value, work: Work): boolean
  /** Values that suit, the best first; the first that the body has is offered. */
  wants(work: Work): readonly Value[]
  because(work: Work): string
  /** Owners who gave this answer know it, and want it so. */
  readonly unless?: { readonly question: string; readonly school: string }
}

const moving: ReadonlySet<string | undefined> = new Set(['walking', 'running', 'fastest'])

/** The subjects that detection is told of, by what the work names. */
const subjects: Readonly<Record<string, readonly string[]>> = {
  people: ['people'],
  animals: ['animals', 'pets', 'horses'],
  birds: ['birds', 'animals'],
  vehicles: ['vehicles', 'cars'],
}

/** What a kind of file or compression asks of the software. */
const openedBy: Readonly<Record<string, string>> = {
  exact: 'lossless',
  lossy: 'lossy',
  light: 'lossy',
  open: 'uncompressed',
  every: 'all-intra',
  group: 'long-gop',
  groups: 'long-gop',
  ten: 'ten-bit',
}

const isOpened = (value: Value, { opens = [] }: Work) => {
  const asked = openedBy[String(value)]
  return asked === undefined || opens.includes(asked)
}

/** Values in the order of `openedBy` that the software opens. */
const opened = (work: Work) => Object.keys(openedBy).filter((value) => isOpened(value, work))

/** The table of what work asks; adding one is adding a row with its test. */
export const workRules: readonly WorkRule[] = [
  {
    id: 'single-af',
    means: 'focus.mode',
    asks: ({ movement }) => moving.has(movement),
    isWrong: (value) => value === 'once',
    wants: () => ['follow'],
    because: () =>
      'Single AF stops where it found the subject: who moves is out of focus when the shutter opens.',
  },
  {
    id: 'program-for-action',
    means: 'exposure.mode',
    side: 'stills',
    asks: ({ movement, blur }) => moving.has(movement) && blur !== 'wanted',
    isWrong: (value) => value === 'full-auto',
    wants: () => ['shutter-first', 'manual'],
    because: () => 'In Program the camera chooses a shutter speed without knowing that something moves.',
  },
  {
    id: 'heard-shutter',
    means: 'shutter.kind',
    side: 'stills',
    asks: ({ silence, flash }, value) =>
      silence === 'needed' && flash !== 'used' && value('shutter.silentMode') !== true,
    isWrong: (value) => value !== 'silent',
    wants: () => ['silent'],
    because: () => 'It has to be silent, and this shutter is heard in every pause.',
  },
  {
    id: 'heard-beep',
    means: 'body.sounds',
    asks: ({ silence }, value) => silence === 'needed' && value('shutter.silentMode') !== true,
    isWrong: (value) => value === true,
    wants: () => [false],
    because: () => 'It has to be silent, and the camera beeps.',
  },
  {
    id: 'played-shutter',
    means: 'shutter.sound',
    side: 'stills',
    asks: ({ silence }, value) =>
      silence === 'needed' && value('shutter.kind') === 'silent' && value('shutter.silentMode') !== true,
    isWrong: (value) => value !== 'off' && value !== false,
    wants: () => ['off', false],
    because: () => 'It has to be silent, and the camera plays the sound of a shutter.',
  },
  {
    id: 'film-auto-balance',
    means: 'colour.balanceMode',
    side: 'motion',
    asks: () => true,
    isWrong: (value) => value === 'auto',
    wants: () => ['kelvin', 'lamp', 'day'],
    because: () => 'Automatic white balance drifts within a take, and two takes do not match.',
    unless: { question: 'balance-way', school: 'auto' },
  },
  {
    id: 'painted-faces',
    means: 'focus.detection',
    asks: ({ subject }) => subject === 'puppets',
    isWrong: (value) => value === true,
    wants: () => [false],
    because: () =>
      'Painted faces fool face detection: it jumps to a mask, and leaves the hand that is meant.',
    unless: { question: 'detection-always', school: 'always' },
  },
  {
    id: 'other-subject',
    means: 'focus.detectionSubject',
    asks: ({ subject = '' }, value) => subject in subjects && value('focus.detection') === true,
    isWrong: (value, { subject = '' }) => !(subjects[subject] ?? []).includes(String(value)),
    wants: ({ subject = '' }) => subjects[subject] ?? [],
    because: ({ subject = '' }) =>
      `The subject is ${workWord('subject', subject).toLowerCase()}, and detection looks for something else: the wrong subject is worse than none.`,
  },
  {
    id: 'steadied-on-support',
    means: 'stabiliser.mode',
    asks: ({ camera }) => camera === 'tripod',
    isWrong: (value) => value !== 'off' && value !== false,
    wants: () => ['off', false],
    because: () => 'On a support there is nothing to steady, and the stabiliser drifts.',
    unless: { question: 'stabiliser-use', school: 'on' },
  },
  {
    id: 'flash-without',
    means: 'flash.mode',
    side: 'stills',
    asks: ({ flash }) => flash === 'used',
    isWrong: (value) => value === 'off',
    wants: () => ['fill'],
    because: () => 'A flash is used, and here it does not fire.',
  },
  {
    id: 'flash-with-electronic',
    means: 'shutter.kind',
    side: 'stills',
    asks: ({ flash }) => flash === 'used',
    isWrong: (value) => value === 'silent',
    wants: () => ['first', 'curtain'],
    because: () => 'A flash is used, and it does not go with the electronic shutter.',
  },
  {
    id: 'slanted-pan',
    means: 'shutter.kind',
    side: 'stills',
    asks: ({ camera, silence }) => camera === 'panning' && silence !== 'needed',
    isWrong: (value) => value === 'silent',
    wants: () => ['curtain', 'first'],
    because: () => 'The electronic shutter reads line by line: in a pan what is upright leans.',
  },
  {
    id: 'other-space',
    means: 'colour.space',
    side: 'stills',
    asks: ({ space }, value) => space !== undefined && value('image.kind') !== 'raw',
    isWrong: (value, { space }) => value !== space,
    wants: ({ space }) => (space === undefined ? [] : [space]),
    because: () => 'The processed files are to be delivered in another colour space.',
  },
  {
    id: 'raw-not-opened',
    means: 'image.rawKind',
    side: 'stills',
    asks: ({ opens }, value) => opens !== undefined && value('image.kind') !== 'finished',
    isWrong: (value, work) => !isOpened(value, work),
    wants: opened,
    because: () => 'Your software does not open this kind of RAW file, as you say.',
  },
  {
    id: 'film-not-opened',
    means: 'movie.compression',
    side: 'motion',
    asks: ({ opens }) => opens !== undefined,
    isWrong: (value, work) => !isOpened(value, work),
    wants: opened,
    because: () => 'Your software does not open this compression, as you say.',
  },
  {
    id: 'bits-not-opened',
    means: 'movie.bits',
    side: 'motion',
    asks: ({ opens }) => opens !== undefined,
    isWrong: (value, work) => !isOpened(value, work),
    wants: () => ['eight'],
    because: () => 'Your software does not open 10-bit film, as you say.',
  },
]

/** A choice of a fact of the work, in words. */
export function workWord(fact: string, choice: string): string {
  return workFact(fact)?.choices.find(({ id }) => id === choice)?.name ?? choice
}
