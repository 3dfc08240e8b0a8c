import { ladders, type LadderStep } from '../vocabulary/ladders'

/** A time against the pulses of a lamp. */
export interface Pulses {
  /** Pulses that fall into the time. */
  readonly count: number
  /** Whether it is a whole number of them, at least one, to two in a hundred. */
  readonly whole: boolean
  /** The steps that are, shortest first. */
  readonly safe: readonly LadderStep[]
}

/** A lamp on mains pulses at twice its frequency. */
export function pulsesOfMains(mainsHz: number): number {
  return 2 * mainsHz
}

/** Pulses in a time: t · f. Bands do not show where they are a whole number. */
export function pulsesIn(seconds: number, pulsesPerSecond: number, steps = ladders.shutter): Pulses {
  const isWhole = (time: number) => {
    const count = time * pulsesPerSecond
    return count > 0.98 && Math.abs(count - Math.round(count)) < 0.02
  }
  const safe = steps.filter((step) => step.amount <= 0.5 && isWhole(step.amount)).reverse()
  return { count: seconds * pulsesPerSecond, whole: isWhole(seconds), safe }
}

/** The shortest few of the safe steps, in words; empty where there are none. */
export function nearSafe(safe: Pulses['safe']): string {
  return safe
    .slice(0, 3)
    .map((step) => step.mark)
    .join(', ')
}

/** Pulses in words, to a tenth, or as finely as it takes to see that they are not whole: "1 pulse", "0.5 pulses", "0.96 pulses". */
export function pulsesInWords(count: number): string {
  const tenths = Math.round(count * 10) / 10
  const seemsWhole = Number.isInteger(tenths) && Math.abs(count - tenths) >= 0.02
  const shown = seemsWhole ? Math.round(count * 100) / 100 : tenths
  return `${shown} ${shown === 1 ? 'pulse' : 'pulses'}`
}

/** Whether frames and pulses keep step: pulses a second divided by frames a second is whole. */
export function keepsStep(framesPerSecond: number, pulsesPerSecond: number): boolean {
  const each = pulsesPerSecond / framesPerSecond
  return Math.abs(each - Math.round(each)) < 0.02
}
