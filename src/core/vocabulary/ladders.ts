import { refuse, ok, type Result } from '../result'

/** One step of a photographic ladder: the mark as engraved, and its marked amount in the ladder's unit. */
export interface LadderStep {
  readonly mark: string
  /** Seconds, f-number, ISO speed, EV, kelvin or frames per second: what the mark says, not the exact power. */
  readonly amount: number
}

/** The ladders known to every model. */
export type LadderName = 'shutter' | 'aperture' | 'iso' | 'ev' | 'kelvin' | 'frameRate'

/**
 * Every ladder, in the order its dial turns (shutter from long to short, the others rising).
 * Shutter, aperture and ISO follow the usual third-stop marks: 2^(k/3) s, 2^(k/6) for f-numbers, 100·2^(k/3).
 */
export const ladders: Readonly<Record<LadderName, readonly LadderStep[]>> = {
  shutter: [
    ...seconds('30 25 20 15 13 10 8 6 5 4 3.2 2.5 2 1.6 1.3 1 0.8 0.6 0.5 0.4 0.3'),
    ...fractions('4 5 6 8 10 13 15 20 25 30 40 50 60 80 100 125 160 200 250 320 400 500 640 800 1000'),
    ...fractions('1250 1600 2000 2500 3200 4000 5000 6400 8000'),
  ],
  aperture: words(
    '1 1.1 1.2 1.4 1.6 1.8 2 2.2 2.5 2.8 3.2 3.5 4 4.5 5 5.6 6.3 7.1 8 9 10 11 13 14 16 18 20 22',
  )
    .map(Number)
    .map((amount) => ({ mark: `f/${amount}`, amount })),
  iso: [
    ...isoSpeeds('50 64 80 100 125 160 200 250 320 400 500 640 800 1000 1250 1600 2000 2500 3200 4000 5000'),
    ...isoSpeeds('6400 8000 10000 12800 16000 20000 25600 32000 40000 51200 64000 80000 102400'),
  ],
  ev: Array.from({ length: 31 }, (_, i) => evStep(i - 15)),
  kelvin: Array.from({ length: 76 }, (_, i) => ({ mark: `${2500 + i * 100} K`, amount: 2500 + i * 100 })),
  frameRate: words('24 25 30 50 60 100 120')
    .map(Number)
    .map((amount) => ({ mark: `${amount}p`, amount })),
}

/** The step with this mark, or undefined when the ladder has none. */
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

const byMark = Object.fromEntries(
  Object.entries(ladders).map(([name, steps]) => [name, new Map(steps.map((step) => [step.mark, step]))]),
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
  const amount = Math.round((thirds / 3) * 10) / 10
  return { mark: `${amount > 0 ? '+' : ''}${amount} EV`, amount }
}

function spellings(ladder: LadderName, step: LadderStep): string[] {
  const mark = step.mark.toLowerCase().replace(/\s+/g, '')
  const bare: Record<LadderName, string> = {
    shutter: mark.replace('"', 's'),
    aperture: mark.replace('f/', ''),
    iso: mark.replace('iso', ''),
    ev: mark.replace('ev', ''),
    kelvin: mark.replace('k', ''),
    frameRate: mark.replace('p', ''),
  }
  return [mark, bare[ladder]]
}
