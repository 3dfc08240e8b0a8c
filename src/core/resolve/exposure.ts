import { ladderSteps } from '../model/domain'
import type { BodyModel, Domain } from '../model/types'
import { secondsOfAngle } from '../numbers/motion'
import { stepOf } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { valueMeaning } from './meaning'
import { workOf } from './resolve'
import type { Resolution, ResolvedSetting } from './resolved'

/** A part of the exposure in a state: as its owner set it, or nobody's until the camera or the lens has chosen. */
export interface ExposurePart {
  /** Who has the say: the settings, the camera's own choice, or the ring of a lens the camera cannot move. */
  readonly by: 'owner' | 'camera' | 'lens'
  /** As marked: "1/50", "180°", "f/4", "ISO 800". Where another has the say, what would be set, or the word for automatic. */
  readonly mark: string
  /** Seconds, f-number or ISO of the mark; of an automatic one, which is none, what stands in the middle of its ladder. */
  readonly amount: number
  /** The setting that says so. */
  readonly resolved: ResolvedSetting
}

/** Exposure modes in which the camera chooses the time, and in which it chooses the aperture. */
const cameraTimes: ReadonlySet<unknown> = new Set(['full-auto', 'aperture-first'])
const cameraApertures: ReadonlySet<unknown> = new Set(['full-auto', 'shutter-first'])

/** The shutter of a state: a time, or where the body films by the angle, the time of that angle at the rate; null without either. */
export function shutterIn(model: BodyModel, state: Resolution): ExposurePart | null {
  const by = cameraTimes.has(valueOf(model, state, 'exposure.mode')) ? 'camera' : 'owner'
  const angle = angleIn(model, state)
  const rate = captureRateIn(model, state)
  if (angle && rate)
    return {
      by,
      mark: `${angle.degrees}°`,
      amount: secondsOfAngle(angle.degrees, rate.framesPerSecond),
      resolved: angle.resolved,
    }
  return partOf(model, state, 'exposure.shutter', 'shutter', by)
}

/** The aperture of a state; null where the model has none. */
export function apertureIn(model: BodyModel, state: Resolution): ExposurePart | null {
  const turned = workOf(state)?.context.lens.contacts === false
  const chosen = cameraApertures.has(valueOf(model, state, 'exposure.mode'))
  return partOf(model, state, 'exposure.aperture', 'aperture', turned ? 'lens' : chosen ? 'camera' : 'owner')
}

/** The ISO of a state; null where the model has none. */
export function isoIn(model: BodyModel, state: Resolution): ExposurePart | null {
  const by = valueOf(model, state, 'exposure.isoAuto') === true ? 'camera' : 'owner'
  return partOf(model, state, 'exposure.iso', 'iso', by)
}

/** Stops of light that the grey filter in the body takes in a state; 0 where there is none, or it has no effect. */
export function ndStopsIn(model: BodyModel, state: Resolution): number {
  const filter = valueMeaning(model, state, 'exposure.ndFilter')
  return filter && typeof filter.value === 'number' && !hasNoEffect(filter) ? filter.value : 0
}

/** The shutter angle a state films with; null in stills, and where the body shows times. */
export function angleIn(
  model: BodyModel,
  state: Resolution,
): { readonly degrees: number; readonly resolved: ResolvedSetting } | null {
  const side = workOf(state)?.context.side
  if (side === 'stills' || valueOf(model, state, 'exposure.shutterInAngle') !== true) return null
  const angle = valueMeaning(model, state, 'exposure.shutterAngle')
  const degrees = numberIn(angle)
  return angle && degrees !== null && degrees > 0 ? { degrees, resolved: angle } : null
}

/** The frames a state captures each second: the rate of the film, or the own rate of a variable-frame-rate position. */
export function captureRateIn(
  model: BodyModel,
  state: Resolution,
): { readonly mark: string; readonly framesPerSecond: number; readonly resolved: ResolvedSetting } | null {
  const own = valueMeaning(model, state, 'movie.slowRate')
  const frames = numberIn(own)
  if (own && frames !== null && !hasNoEffect(own))
    return { mark: `${frames}p`, framesPerSecond: frames, resolved: own }
  const rate = valueMeaning(model, state, 'movie.frameRate')
  const step = stepOf('frameRate', rate?.value)
  return rate && step ? { mark: step.mark, framesPerSecond: step.amount, resolved: rate } : null
}

function hasNoEffect({ remarks }: ResolvedSetting): boolean {
  return remarks.some(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
}

function partOf(
  model: BodyModel,
  state: Resolution,
  means: string,
  ladder: 'shutter' | 'aperture' | 'iso',
  by: ExposurePart['by'],
): ExposurePart | null {
  const resolved = valueMeaning(model, state, means)
  const itself = resolved && automatic(resolved.setting.domain, resolved.value)
  if (resolved && itself) return { by: by === 'lens' ? by : 'camera', ...itself, resolved }
  const step = stepOf(ladder, resolved?.value)
  return resolved && step ? { by, mark: step.mark, amount: step.amount, resolved } : null
}

/** What a ladder has beside its marks for the camera to choose by itself. */
function automatic(domain: Domain, value: Value): { mark: string; amount: number } | null {
  if (domain.kind !== 'ladder' || value !== 'auto') return null
  const name = domain.also?.find(({ id }) => id === value)?.name
  const steps = ladderSteps(domain)
  const middle = steps[steps.length >> 1]
  return name === undefined || !middle ? null : { mark: name, amount: middle.amount }
}

function valueOf(model: BodyModel, state: Resolution, means: string) {
  return valueMeaning(model, state, means)?.value
}

/** The number that the name of a choice begins with: "172.8°", "100". */
function numberIn(resolved: ResolvedSetting | undefined): number | null {
  if (resolved?.setting.domain.kind === 'number') return Number(resolved.value)
  if (resolved?.setting.domain.kind !== 'choice') return null
  const name = resolved.setting.domain.values.find(({ id }) => id === resolved.value)?.name
  const found = Number.parseFloat(name ?? '')
  return Number.isNaN(found) ? null : found
}
