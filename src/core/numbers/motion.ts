import { ladders, nearestStep, stepOf, type LadderStep } from '../vocabulary/ladders'

/** The shutter a frame rate asks for, with everything needed to show how it came about. */
export interface ShutterForRate {
  readonly framesPerSecond: number
  readonly angleDegrees: number
  /** angle / (360 × fps), in seconds. */
  readonly exactSeconds: number
  /** The nearest step the body has. */
  readonly step: LadderStep
  /** The angle that step really gives. */
  readonly stepAngleDegrees: number
  /** log2(step / exact): above zero the step gathers more light and blurs more. */
  readonly deviationStops: number
  readonly formula: string
}

/**
 * Shutter for natural motion blur: t = angle / (360 × fps), the rotary-shutter rule; 180° is the convention.
 * Rounded to the nearest of `steps` in stops.
 */
export function shutterForRate(
  framesPerSecond: number,
  angleDegrees = 180,
  steps = ladders.shutter,
): ShutterForRate {
  const exactSeconds = secondsOfAngle(angleDegrees, framesPerSecond)
  const step = nearestStep('shutter', exactSeconds, steps)
  return {
    framesPerSecond,
    angleDegrees,
    exactSeconds,
    step,
    stepAngleDegrees: step.amount * 360 * framesPerSecond,
    deviationStops: Math.log2(step.amount / exactSeconds),
    formula: `${angleDegrees}° / (360° × ${framesPerSecond}) = 1/${trimmed(1 / exactSeconds)} s`,
  }
}

/** Exposure marks of one state: shutter, aperture and ISO. */
export interface ExposureMarks {
  readonly shutter: string
  readonly aperture: string
  readonly iso: string
}

/** Light gained or lost between two exposures, in stops, part by part. */
export interface ExposureDifference {
  readonly shutterStops: number
  readonly apertureStops: number
  readonly isoStops: number
  /** Light that a grey filter in the body gives back or takes. */
  readonly ndStops: number
  /** The sum: above zero the second is brighter. */
  readonly stops: number
}

/**
 * log2(t₂/t₁) + log2(N₁²/N₂²) + log2(S₂/S₁), from the exposure equation; marked amounts. Null when a mark is on no
 * ladder.
 */
export function exposureDifference(from: ExposureMarks, to: ExposureMarks): ExposureDifference | null {
  const [t1, t2] = [stepOf('shutter', from.shutter), stepOf('shutter', to.shutter)]
  const [n1, n2] = [stepOf('aperture', from.aperture), stepOf('aperture', to.aperture)]
  const [s1, s2] = [stepOf('iso', from.iso), stepOf('iso', to.iso)]
  if (!t1 || !t2 || !n1 || !n2 || !s1 || !s2) return null
  return stopsBetween(
    { seconds: t1.amount, aperture: n1.amount, iso: s1.amount },
    { seconds: t2.amount, aperture: n2.amount, iso: s2.amount },
  )
}

/** An exposure in numbers: seconds, f-number, ISO speed, and the stops that a grey filter in the body takes. */
export interface ExposureAmounts {
  readonly seconds: number
  readonly aperture: number
  readonly iso: number
  readonly nd?: number
}

/** log2(t₂/t₁) + log2(N₁²/N₂²) + log2(S₂/S₁) + ND₁ − ND₂, from the exposure equation; a filter's density in stops. */
export function stopsBetween(from: ExposureAmounts, to: ExposureAmounts): ExposureDifference {
  const shutterStops = Math.log2(to.seconds / from.seconds)
  const apertureStops = 2 * Math.log2(from.aperture / to.aperture)
  const isoStops = Math.log2(to.iso / from.iso)
  const ndStops = (from.nd ?? 0) - (to.nd ?? 0)
  const stops = shutterStops + apertureStops + isoStops + ndStops
  return { shutterStops, apertureStops, isoStops, ndStops, stops }
}

/** The time of a shutter angle: angle / (360° × frames a second), in seconds. */
export function secondsOfAngle(degrees: number, framesPerSecond: number): number {
  return degrees / (360 * framesPerSecond)
}

/** Stops as photographers write them, to a tenth: "+1.3 stops", "-2 stops"; below a tenth "no change". */
export function showStops(stops: number): string {
  const tenths = Math.abs(stops) < 0.1 ? 0 : Math.round(stops * 10) / 10
  return tenths === 0 ? 'no change' : `${tenths > 0 ? '+' : '-'}${countStops(stops)}`
}

/** How many stops, whichever way: "1.3 stops", "1 stop". */
export function countStops(stops: number): string {
  const tenths = Math.abs(Math.round(stops * 10) / 10)
  return `${tenths} ${tenths === 1 ? 'stop' : 'stops'}`
}

function trimmed(amount: number): string {
  return String(Math.round(amount * 10) / 10)
}
