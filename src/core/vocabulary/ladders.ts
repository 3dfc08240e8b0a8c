import { refuse, ok, type Result } from '../result'

/** One step of a photographic ladder: the mark as engraved, and its marked amount in the ladder's unit. */
export interface LadderStep {
  readonly mark: string
  /** Seconds, f-number, ISO speed, EV, kelvin or frames per second: what the mark says, not the exact power. */
  readonly amount: number
}

/** The ladders known to every model. */
export type LadderName =
  | ('shutter' | 'aperture' | 'iso' | 'ev' | 'kelvin' | 'frameRate')
  | ('shutterHalf' | 'apertureHalf' | 'isoHalf' | 'evHalf' | 'exactRate')

/**
 * Every ladder, in the order its dial turns (shutter from long to short, the others rising).
 * Shutter, aperture and ISO follow the usual third-stop marks: 2^(k/3) s, 2^(k/6) for f-numbers, 100·2^(k/3); those that
 * end in `Half` the half-stop marks. `exactRate` has the rates of film as they are marked where they are not whole.
 */
export const ladders: Readonly<Record<LadderName, readonly LadderStep[]>> = {
  shutter: [
    ...seconds('30 25 20 15 13 10 8 6 5 4 3.2 2.5 2 1.6 1.3 1 0.8 0.6 0.5 0.4 0.3'),
    ...fractions('4 5 6 8 10 13 15 20 25 30 40 50 60 80 100 125 160 200 250 320 400 500 640 800 1000'),
    ...fractions('1250 1600 2000 2500 3200 4000 5000 6400 8000 10000 12800 16000 20000 25600 32000'),
  ],
  aperture: words(
    '0.95 1 1.1 1.2 1.4 1.6 1.8 2 2.2 2.5 2.8 3.2 3.5 4 4.5 5 5.6 6.3 7.1 8 9 10 11 13 14 16 18 20 22 25 29 32',
  )
    .map(Number)
    .map((amount) => ({ mark: `f/${amount}`, amount })),
  iso: [
    ...isoSpeeds(
      '25 32 40 50 64 80 100 125 160 200 250 320 400 500 640 800 1000 1250 1600 2000 2500 3200 4000 5000',
    ),
    ...isoSpeeds('6400 8000 10000 12800 16000 20000 25600 32000 40000 51200 64000 80000 102400'),
    ...isoSpeeds('128000 160000 204800 256000 320000 409600'),
  ],
  ev: Array.from({ length: 31 }, (_, i) => evStep(i - 15)),
  kelvin: Array.from({ length: 76 }, (_, i) => ({ mark: `${2500 + i * 100} K`, amount: 2500 + i * 100 })),
  frameRate: words('24 25 30 50 60 100 120')
    .map(Number)
    .map((amount) => ({ mark: `${amount}p`, amount })),
  shutterHalf: [
    ...seconds('30 20 15 10 8 6 4 3 2 1.5 1 0.7 0.5 0.3'),
    ...fractions('4 6 8 10 15 20 30 45 60 90 125 180 250 350 500 750 1000 1500 2000 3000 4000 6000 8000'),
  ],
  apertureHalf: words('1 1.2 1.4 1.7 2 2.4 2.8 3.3 4 4.8 5.6 6.7 8 9.5 11 13 16 19 22 27 32')
    .map(Number)
    .map((amount) => ({ mark: `f/${amount}`, amount })),
  isoHalf: isoSpeeds('100 140 200 280 400 560 800 1100 1600 2200 3200 4500 6400 9000 12800 18000 25600'),
  evHalf: Array.from({ length: 21 }, (_, i) => evMark((i - 10) / 2)),
  exactRate: words('23.98 24 25 29.97 30 47.95 48 50 59.94 60 100 119.88 120 200 239.76 240')
    .map(Number)
    .map((amount) => ({ mark: `${amount}p`, amount })),
}

/** The step with this mark, or undefined when the ladder has none; marks of a ladder that counts otherwise are known by what they count. */
export function stepOf(ladder: LadderName, mark: unknown): LadderStep | undefined {
  return typeof mark === 'string' ? byMark[ladder].get(mark) : undefined
}

/**
 * Reads what a person types ("1/50", "iso 400", "5600k", "2.8") into a
 * mark of the ladder. Refuses with the nearest marks when the amount is not on it.
 */
export function readMark(ladder: LadderName, typed: string): Result<string> {
  const plain = typed.trim().toLowerCase().replaceAll('−', '-').replaceAll(',', '.')
  const found = ladders[ladder].find((step) => spellings(ladder, step).includes(plain.replace(/\s+/g, '')))
  if (found) return ok(found.mark)
  const examples = [ladders[ladder][0], ladders[ladder].at(-1)].map((step) => step?.mark)
  return refuse('not-on-ladder', `“${typed}” is no ${ladder} step; they run from ${examples.join(' to ')}.`)
}

/**
 * The step of the ladder whose marked amount is nearest to `amount`, measured in stops (log2) for amounts that
 * double and in plain distance for EV. `steps` narrows the choice to part of the ladder.
 */
export function nearestStep(ladder: LadderName, amount: number, steps = ladders[ladder]): LadderStep {
  const distance = (step: LadderStep) =>
    ladder === 'ev' ? Math.abs(step.amount - amount) : Math.abs(Math.log2(step.amount / amount))
  return steps.reduce((best, step) => (distance(step) < distance(best) ? step : best))
}

/** The part of a ladder between two marks, both included; refuses marks that are not on it or stand reversed. */
export function ladderBetween(ladder: LadderName, from: string, to: string): Result<readonly LadderStep[]> {
  const steps = ladders[ladder]
  const first = steps.findIndex((step) => step.mark === from)
  const last = steps.findIndex((step) => step.mark === to)
  if (first < 0) return refuse('not-on-ladder', `“${from}” is no mark of the ${ladder} ladder.`)
  if (last < 0) return refuse('not-on-ladder', `“${to}” is no mark of the ${ladder} ladder.`)
  if (last < first) return refuse('reversed', `The ${ladder} ladder does not run from ${from} to ${to}.`)
  return ok(steps.slice(first, last + 1))
}

/** Ladders that count the same in other steps. */
const alike: Readonly<Partial<Record<LadderName, LadderName>>> = {
  shutter: 'shutterHalf',
  aperture: 'apertureHalf',
  iso: 'isoHalf',
  ev: 'evHalf',
  frameRate: 'exactRate',
}

const byMark = Object.fromEntries(
  (Object.entries(ladders) as [LadderName, readonly LadderStep[]][]).map(([name, steps]) => {
    const others = alike[name] === undefined ? [] : ladders[alike[name]]
    return [name, new Map([...others, ...steps].map((step) => [step.mark, step]))]
  }),
) as Record<LadderName, Map<string, LadderStep>>

function words(list: string): string[] {
  return list.split(' ')
}

function seconds(list: string): LadderStep[] {
  return words(list).map((text) => ({ mark: `${text}"`, amount: Number(text) }))
}

function fractions(list: string): LadderStep[] {
  return words(list).map((text) => ({ mark: `1/${text}`, amount: 1 / Number(text) }))
}

function isoSpeeds(list: string): LadderStep[] {
  return words(list).map((text) => ({ mark: `ISO ${text}`, amount: Number(text) }))
}

function evStep(thirds: number): LadderStep {
  return evMark(Math.round((thirds / 3) * 10) / 10)
}

function evMark(amount: number): LadderStep {
  return { mark: `${amount > 0 ? '+' : ''}${amount} EV`, amount }
}

function spellings(ladder: LadderName, step: LadderStep): string[] {
  const mark = step.mark.toLowerCase().replace(/\s+/g, '')
  const [time, opening, speed, ev, rate] = [
    mark.replace('"', 's'),
    mark.replace('f/', ''),
    mark.replace('iso', ''),
    mark.replace('ev', ''),
    mark.replace('p', ''),
  ]
  const bare: Record<LadderName, string> = {
    ...{
      shutter: time,
      shutterHalf: time,
      aperture: opening,
      apertureHalf: opening,
      iso: speed,
      isoHalf: speed,
    },
    ...{ ev, evHalf: ev, frameRate: rate, exactRate: rate, kelvin: mark.replace('k', '') },
  }
  return [mark, bare[ladder]]
}
