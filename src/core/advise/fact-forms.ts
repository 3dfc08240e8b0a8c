import { workTable } from '../vocabulary/work'

/** Something an adviser goes by: what it is called, and what it may be. */
export interface FactForm {
  readonly id: string
  readonly name: string
  readonly values: Readonly<Record<string, string>>
}

const yesNo = { yes: 'yes', no: 'no' }
/** What software may open, by id and name. */
export const opened: readonly (readonly [id: string, name: string])[] = workTable
  .filter(({ id }) => id === 'opens')
  .flatMap(({ choices }) => choices.map(({ id, name }) => [id, name] as const))

/** Facts that are worked out from the plan, its numbers, or ranges of what is said. */
const derived: readonly FactForm[] = [
  {
    id: 'creature',
    name: 'Which animals',
    values: { pets: 'dogs and cats', horses: 'horses', insects: 'insects', others: 'others' },
  },
  {
    id: 'light',
    name: 'Light',
    values: { dark: 'dark, below EV 6', middle: 'in between', bright: 'bright, from EV 11' },
  },
  { id: 'hours', name: 'The day', values: { short: 'shorter than 6 hours', long: '6 hours or more' } },
  { id: 'delivery', name: 'What is delivered', values: { known: 'said', unknown: 'not said' } },
  {
    id: 'pulses',
    name: 'Lamps and shutter speed',
    values: {
      whole: 'whole pulses',
      part: 'no whole pulses',
      none: 'lamps do not pulse',
      unknown: 'not known',
    },
  },
  {
    id: 'time',
    name: 'Shutter speed',
    values: {
      short: '1/1000 or shorter',
      usual: 'in between',
      shock: '1/15 to 1/200',
      long: 'longer than 1/15',
    },
  },
  { id: 'aperture', name: 'Aperture', values: { wide: 'f/2.8 or wider', narrow: 'narrower than f/2.8' } },
  {
    id: 'burst',
    name: 'Burst',
    values: { none: 'single pictures', asked: 'bursts that go on', stalls: 'bursts that stall' },
  },
  { id: 'shadows', name: 'Shadows are', values: { left: 'left as they are', lifted: 'lifted in editing' } },
  {
    id: 'files',
    name: 'File type',
    values: { raw: 'RAW', both: 'RAW and processed', finished: 'processed' },
  },
  {
    id: 'latitude',
    name: 'Exposure latitude',
    values: { wide: 'wide: RAW, flat or log', narrow: 'narrow: processed, normal curve' },
  },
  {
    id: 'profile',
    name: 'Tone curve',
    values: { normal: 'normal', flat: 'flat', log: 'log', hdr: 'HDR' },
  },
  { id: 'meterFollows', name: 'Metering follows the subject', values: yesNo },
  {
    id: 'card',
    name: 'Card for film',
    values: { fast: 'keeps up with four times the bitrate', slow: 'does not' },
  },
  { id: 'side', name: 'Side', values: { stills: 'stills', motion: 'film' } },
  ...opened.map(([id, name]) => ({ id: `opens-${id}`, name: `Your software opens: ${name}`, values: yesNo })),
]

/** Every fact that advisers go by: those of the work that are one of a few, and those worked out. */
export const factForms: readonly FactForm[] = [
  ...workTable
    .filter(({ takes }) => takes === 'one')
    .map(({ id, name, choices }) => ({
      ...{ id, name },
      values: Object.fromEntries(choices.map((one) => [one.id, one.name])),
    })),
  ...derived,
]

/** The fact of that id; undefined where there is none. */
export function factForm(id: string): FactForm | undefined {
  return factForms.find((one) => one.id === id)
}
