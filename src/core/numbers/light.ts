import { ladders, nearestStep, stepOf, type LadderStep } from '../vocabulary/ladders'
import type { ExposureMarks } from './motion'

/** One way to make up for a jump in exposure. */
export interface MakeUp {
  readonly by: 'iso' | 'aperture' | 'light'
  /** What it would be set to, or how much more light: "ISO 4000", "f/1.8", "4.9 times the light". */
  readonly to: string
  /** What is left over in stops after the nearest step: above zero still too bright. */
  readonly leftStops: number
  /** False where the body or the lens has no such value. */
  readonly there: boolean
}

/** What may be set: the steps of the body's ISO and of the lens's apertures. */
export interface LightRange {
  readonly iso: readonly LadderStep[]
  readonly apertures: readonly LadderStep[]
}

/**
 * What could make up for `stops` of light lost (below zero) or gained, each alone: ISO · 2^(-stops), N / 2^(-stops/2), or
 * the light itself · 2^(-stops); from the exposure equation, to the nearest step. Empty where nothing is lost.
 */
export function makeUpFor(stops: number, marks: ExposureMarks, range: LightRange): MakeUp[] {
  if (Math.abs(stops) < 0.05) return []
  const [iso, aperture] = [stepOf('iso', marks.iso), stepOf('aperture', marks.aperture)]
  const found: MakeUp[] = []
  if (iso) {
    const wanted = iso.amount * 2 ** -stops
    const step = nearestStep('iso', wanted, range.iso.length > 0 ? range.iso : ladders.iso)
    const left = stops + Math.log2(step.amount / iso.amount)
    found.push({ by: 'iso', to: step.mark, leftStops: left, there: Math.abs(left) < 0.2 })
  }
  if (aperture) {
    const wanted = aperture.amount * 2 ** (stops / 2)
    const step = nearestStep(
      'aperture',
      wanted,
      range.apertures.length > 0 ? range.apertures : ladders.aperture,
    )
    const left = stops + 2 * Math.log2(aperture.amount / step.amount)
    found.push({ by: 'aperture', to: step.mark, leftStops: left, there: Math.abs(left) < 0.2 })
  }
  const times = 2 ** -stops
  const words = times >= 1 ? `${rounded(times)} times the light` : `1/${rounded(1 / times)} of the light`
  return [...found, { by: 'light', to: words, leftStops: 0, there: true }]
}

/** The ISO a scene needs: 100 · N² / (t · 2^EV), EV at ISO 100. */
export function neededIso(ev: number, aperture: number, seconds: number): number {
  return (100 * aperture ** 2) / (seconds * 2 ** ev)
}

/** The time that results where ISO stops at a cap: 100 · N² / (ISO · 2^EV), in seconds. */
export function shutterAtIso(ev: number, aperture: number, iso: number): number {
  return (100 * aperture ** 2) / (iso * 2 ** ev)
}

/** Brightness at which automatic ISO reaches an ISO: EV = log2(100 · N² / (t · ISO)). */
export function evAtIso(aperture: number, seconds: number, iso: number): number {
  return Math.log2((100 * aperture ** 2) / (seconds * iso))
}

/** To one decimal. */
export function rounded(amount: number): string {
  return String(Math.round(amount * 10) / 10)
}

/** An exposure that a brightness comes to at an aperture and an ISO: t = 100 · N² / (ISO · 2^EV), to the nearest mark; "f/2.8, 1/60, ISO 3200". */
export function exposureAt(ev: number, aperture: string, iso: string): string {
  const [opening, sensitivity] = [stepOf('aperture', aperture), stepOf('iso', iso)]
  if (!opening || !sensitivity) return `${aperture}, ${iso}`
  const seconds = shutterAtIso(ev, opening.amount, sensitivity.amount)
  return `${aperture}, ${nearestStep('shutter', seconds).mark}, ${iso}`
}
