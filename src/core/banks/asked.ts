import { ownerRow, rowValue } from '../plan/rows'
import { ladderSteps } from '../model/domain'
import type { BodyModel } from '../model/types'
import { pulsesIn, pulsesOfMains, type Pulses } from '../numbers/flicker'
import { shutterForRate, type ShutterForRate } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { captureRateIn, shutterIn, type ExposurePart } from '../resolve/exposure'
import { mayPulse } from '../plan/situations'
import { valueMeaning } from '../resolve/meaning'
import { workOf } from '../resolve/resolve'
import type { Resolution } from '../resolve/resolved'
import { stepOf, type LadderStep } from '../vocabulary/ladders'

/** The shutter that the frame rate and the lamps of a state ask for, against the one it has. */
export interface ShutterAsked extends ShutterForRate {
  /** Frames captured each second, as marked. */
  readonly rate: string
  /** The shutter as its owner has it, before the body replaces anything: a time, or an angle. */
  readonly now: string
  /** What fits rate and lamps: the nearest time, or of those that lamps leave, the nearest within two thirds of a stop. */
  readonly wanted: string
  /** How far the shutter is from what is wanted: above zero it is longer. An angle is never off: it is what its owner sees by. */
  readonly offStops: number
  /** Longer than a frame lasts: it cannot be set. */
  readonly tooLong: boolean
  readonly part: ExposurePart
  readonly lamps: LampsHere | null
  /** False where lamps and rate leave no time that fits both. */
  readonly lampsFit: boolean
}

/** A safe time further from the natural one than this is no way out: movement would look wrong. */
const mostStopsForLamps = 0.67

/** The shutter asked of a film; where the camera chooses it, it is what is wanted. Null where the model has no such settings. */
export function shutterAsked(model: BodyModel, plan: Plan, state: Resolution): ShutterAsked | null {
  const [rate, part] = [captureRateIn(model, state), shutterIn(model, state)]
  const times = valueMeaning(model, state, 'exposure.shutter')
  const domain = times?.setting.domain
  if (!rate || !part || domain?.kind !== 'ladder') return null
  const isAngle = part.resolved !== times
  const frame = 1 / rate.framesPerSecond
  const steps = ladderSteps(domain).filter(({ amount }) => amount <= frame * 1.001)
  const asked = shutterForRate(rate.framesPerSecond, 180, steps.length > 0 ? steps : ladderSteps(domain))
  const own = stepOf('shutter', times?.chain.findLast(({ layer }) => layer !== 'rule')?.value)
  const seconds = isAngle ? part.amount : (own?.amount ?? part.amount)
  const lamps = lampsOver(model, plan, state, seconds, steps)
  const near = lamps?.known ? nearestSafe(asked.exactSeconds, lamps.safe) : null
  const wanted = near ?? asked.step
  return {
    ...asked,
    rate: rate.mark,
    now: isAngle ? part.mark : (own?.mark ?? part.mark),
    wanted: isAngle ? part.mark : wanted.mark,
    offStops: isAngle || part.by === 'camera' ? 0 : Math.log2(seconds / wanted.amount),
    tooLong: part.by !== 'camera' && seconds > frame * 1.001,
    part,
    lamps,
    lampsFit: !lamps?.known || near !== null || lamps.whole,
  }
}

function nearestSafe(exactSeconds: number, safe: readonly LadderStep[]): LadderStep | null {
  const off = ({ amount }: LadderStep) => Math.abs(Math.log2(amount / exactSeconds))
  const [nearest] = [...safe].sort((a, b) => off(a) - off(b))
  return nearest && off(nearest) <= mostStopsForLamps ? nearest : null
}

/** The lamps over a time. */
export interface LampsHere extends Pulses {
  readonly perSecond: number
  readonly source: string
  /** Whether somebody says on which mains they are; else the body has to be told. */
  readonly sure: boolean
  /** False where either mains is as likely. */
  readonly known: boolean
}

/** A time against the lamps: on mains of which nobody knows the frequency against both, the worse counting; null where nothing is known of any. */
export function lampsOver(
  model: BodyModel,
  plan: Plan,
  state: Resolution,
  seconds: number,
  steps: readonly LadderStep[],
): LampsHere | null {
  const all = lampPulses(model, plan, state).map((lamp) => ({
    ...lamp,
    ...pulsesIn(seconds, lamp.perSecond, steps),
  }))
  const [first, ...others] = all
  if (!first) return null
  const worse = all.find(({ whole }) => !whole) ?? first
  const safe = first.safe.filter((step) => others.every((one) => one.safe.includes(step)))
  return { ...worse, safe: others.length === 0 ? first.safe : safe, known: others.length === 0 }
}

/** The lamps as somebody says: measured, by the region of the body, or by what its frame rate suggests; both mains where nothing does. */
export function lampPulses(
  model: BodyModel,
  plan: Plan,
  resolution: Resolution,
): readonly { readonly perSecond: number; readonly source: string; readonly sure: boolean }[] {
  const side = workOf(resolution)?.context.side
  if (side !== undefined && !mayPulse(model, plan, side)) return []
  const measured = rowValue(plan.rows, ownerRow('lampPulses'))
  if (typeof measured === 'number') return [{ perSecond: measured, source: 'measured', sure: true }]
  const region = valueMeaning(model, resolution, 'movie.region')
  const named = (region?.possible ?? []).flatMap((value) => ({ r50: 50, r60: 60 })[String(value)] ?? [])
  const rate = valueMeaning(model, resolution, 'movie.frameRate')
  const suggested = named.length > 0 ? named : mainsOf(Number.parseFloat(String(rate?.value)))
  const because = named.length > 0 ? '' : suggested.length === 1 ? `, as ${String(rate?.value)} suggests` : ''
  return suggested.map((hz) => ({
    perSecond: pulsesOfMains(hz),
    source: `${hz} Hz mains${because}`,
    sure: named.length === 1,
  }))
}

/** The mains under which a frame rate is usual, in hertz; both where there is no telling. */
function mainsOf(framesPerSecond: number): readonly number[] {
  if (framesPerSecond % 25 === 0) return [50]
  return framesPerSecond % 30 === 0 ? [60] : [50, 60]
}
