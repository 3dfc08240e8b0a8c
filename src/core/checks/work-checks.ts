import { anyLens } from '../model/any-lens'
import { checkValue, ladderSteps, showValue } from '../model/domain'
import type { BodyModel, Setting } from '../model/types'
import { neededIso, rounded, shutterAtIso } from '../numbers/light'
import { countStops } from '../numbers/motion'
import {
  situationName,
  situationSide,
  situationSlot,
  situationsOf,
  workOf,
  type Work,
} from '../plan/situations'
import { schoolFor } from '../plan/schools'
import type { Plan } from '../plan/plan'
import { freezeFacts, ownerRow, rowValue, situationRow } from '../plan/rows'
import { noBank } from '../resolve/context'
import { apertureIn, isoIn, shutterIn } from '../resolve/exposure'
import { valueMeaning } from '../resolve/meaning'
import type { ResolvedSetting } from '../resolve/resolved'
import { stepOf } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { workFact } from '../vocabulary/work'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { rowOf } from './meaning'
import { workRules, workWord, type WorkRule } from './work-rules'

/** Base, or the bank a situation is shot with, held against what is said of the work. */
export const workChecks: readonly Check[] = [
  {
    id: 'against-work',
    title: 'A value that does not suit what is shot with it',
    severity: 'problem',
    cost: 600,
    station: 'foundation',
    needs: ['J7', '§10'],
    reasonSilences: true,
    run: (input) =>
      situatedIn(input).flatMap((one) => workRules.flatMap((rule) => against(input, one, rule))),
  },
  {
    id: 'freeze-floor',
    title: 'A shutter speed too slow for what moves',
    number: 'freeze',
    severity: 'problem',
    cost: 900,
    station: 'foundation',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'stills' ? situatedIn(input).flatMap((one) => tooSlow(input, one)) : []),
  },
  {
    id: 'shaken',
    title: 'A shutter speed too slow to hold by hand',
    number: 'hand-held',
    severity: 'problem',
    cost: 600,
    station: 'foundation',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'stills' ? situatedIn(input).flatMap((one) => shaken(input, one)) : []),
  },
  {
    id: 'iso-in-need',
    title: 'Light that asks for an ISO you use in need only',
    number: 'needed-iso',
    severity: 'tidies',
    station: 'foundation',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => situatedIn(input).flatMap((one) => inNeed(input, one)),
  },
  {
    id: 'light-out-of-reach',
    title: 'Light that automatic ISO cannot meet',
    number: 'metered-exposure',
    severity: 'problem',
    cost: 900,
    station: 'foundation',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => situatedIn(input).flatMap((one) => outOfReach(input, one)),
  },
]

/** A situation with what is said of it, and the state it is shot in: that of its bank, or base. */
interface Situated {
  readonly situation: string
  readonly name: string
  readonly work: Work
  readonly state: ResolvedContext
}

function situatedIn({ model, plan, side, states }: CheckInput): Situated[] {
  return situationsOf(plan).flatMap((situation): Situated[] => {
    if (situationSide(model, plan, situation) !== side) return []
    const slot = situationSlot(plan, situation)
    const shot = states.filter(({ bank, context }) =>
      slot ? context.banks[slot.family] === slot.slot : bank === noBank,
    )
    // A lens that says its aperture tells more than one that does not.
    const state = shot.find(({ context }) => context.lens.contacts) ?? shot[0]
    if (!state) return []
    return [{ situation, name: situationName(plan, situation), work: workOf(plan, situation), state }]
  })
}

function against(input: CheckInput, { name, work, state }: Situated, rule: WorkRule): CheckResult[] {
  const { model, plan, side } = input
  if (rule.side !== undefined && rule.side !== side) return []
  const resolved = valueMeaning(model, state.resolution, rule.means)
  const value = (means: string) => valueMeaning(model, state.resolution, means)?.value
  if (!resolved || !rule.asks(work, value) || !rule.isWrong(resolved.value, work)) return []
  // What does nothing here does no harm either.
  if (resolved.remarks.some(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')) return []
  const { unless } = rule
  if (unless && schoolFor(plan, unless.question, side) === unless.school) return []
  const { setting } = resolved
  const wanted = rule.wants(work).find((one) => checkValue(setting.domain, one, setting.id).ok)
  return [
    {
      title: `${name}: ${setting.label} is ${showValue(setting.domain, resolved.value)}`,
      reason: `${rule.because(work)}${wanted === undefined ? ` This body has nothing that suits.` : ''}`,
      row: rowOf(model, plan, side, resolved),
      rule: rule.id,
      mends: wanted === undefined ? [] : [mendWith(input, resolved, wanted)],
      seenIn: state,
    },
  ]
}

function mendWith({ model, plan, side }: CheckInput, resolved: ResolvedSetting, value: Value) {
  const row = rowOf(model, plan, side, resolved)
  const words = showValue(resolved.setting.domain, value)
  return quickFix(plan, `Set ${resolved.setting.label} to ${words}`, 'against-work', { [row]: value })
}

/** The slowest shutter speed that freezes what moves, in seconds; the owner's own where there is one; null where nothing has to be frozen, or nobody says. */
export function freezeFloor({ movement, blur }: Work, plan: Plan | null = null): number | null {
  if (movement === undefined || blur === 'wanted') return null
  const facts = Object.keys(freezeFacts) as (keyof typeof freezeFacts)[]
  const fact = facts.find((one) => freezeFacts[one] === movement)
  const own = plan && fact ? rowValue(plan.rows, ownerRow(fact)) : null
  if (typeof own === 'number') return 1 / own
  const [seconds = 0] = workFact('movement')?.choices.find(({ id }) => id === movement)?.amount ?? []
  return seconds === 0 ? null : seconds
}

/**
 * A shutter speed of the owner's, or the slowest that automatic ISO accepts where the camera chooses the time, against the
 * floor of what moves; a third of a stop is let pass.
 */
function tooSlow(input: CheckInput, { name, work, state }: Situated): CheckResult[] {
  const { model, plan, side } = input
  const floor = freezeFloor(work, plan)
  const found = slowestIn(model, state)
  if (floor === null || !found || Math.log2(found.step.amount / floor) < 0.34) return []
  const { slowest, step, isOwn } = found
  const wanted = stepFor(slowest.setting, floor)
  const moves = workWord('movement', work.movement ?? '').toLowerCase()
  return [
    {
      title: `${name}: ${isOwn ? step.mark : `${slowest.setting.label} ${step.mark}`} is too slow`,
      reason: `What moves (${moves}) is frozen from about ${showSeconds(floor)} on; ${step.mark} is ${countStops(Math.log2(step.amount / floor))} slower: log2(${step.mark} ÷ ${showSeconds(floor)}).`,
      row: rowOf(model, plan, side, slowest),
      mends: wanted === null ? [] : [mendWith(input, slowest, wanted)],
      seenIn: state,
    },
  ]
}

/** The slowest shutter speed of a state: the owner's, or where the camera chooses it, the slowest that automatic ISO accepts. */
function slowestIn(model: BodyModel, { resolution }: ResolvedContext) {
  const part = shutterIn(model, resolution)
  const isOwn = part?.by === 'owner'
  const limit =
    part?.by === 'camera' && isoIn(model, resolution)?.by === 'camera'
      ? valueMeaning(model, resolution, 'exposure.minimumShutter')
      : undefined
  const slowest = isOwn ? part.resolved : limit
  const step = stepOf('shutter', slowest?.value)
  return slowest && step ? { slowest, step, isOwn } : null
}

/**
 * A shutter speed against what is held by hand: 1 / focal length, the long end of a zoom, times 2 for each stop that the owner
 * holds with the stabiliser on.
 */
function shaken(input: CheckInput, { name, work, state }: Situated): CheckResult[] {
  const { model, plan, side } = input
  const { id, focalMm } = state.context.lens
  const [, focal] = focalMm
  // Which focal length a lens has that nobody named, nobody knows.
  const found = work.camera === 'hand' && id !== anyLens.id ? slowestIn(model, state) : null
  if (!found) return []
  const own = rowValue(plan.rows, ownerRow('handheldStops'))
  const steadied = valueMeaning(model, state.resolution, 'stabiliser.mode')?.value
  const isSteadied = steadied !== undefined && steadied !== 'off' && steadied !== false
  const stops = isSteadied && typeof own === 'number' ? own : 0
  const floor = 2 ** stops / focal
  const { slowest, step, isOwn } = found
  if (Math.log2(step.amount / floor) < 0.34) return []
  const wanted = stepFor(slowest.setting, floor)
  const held = stops > 0 ? `, times 2^${stops} with the stabiliser` : ''
  return [
    {
      title: `${name}: ${isOwn ? step.mark : `${slowest.setting.label} ${step.mark}`} is too slow by hand at ${focal} mm`,
      reason: `By hand about 1 ÷ focal length holds: 1/${focal} s${held}. ${step.mark} is ${countStops(Math.log2(step.amount / floor))} slower.`,
      row: rowOf(model, plan, side, slowest),
      mends: wanted === null ? [] : [mendWith(input, slowest, wanted)],
      seenIn: state,
    },
  ]
}

/** The slowest mark of a setting that is no slower than some time; null where it has none. */
function stepFor({ domain }: Setting, seconds: number): string | null {
  if (domain.kind !== 'ladder') return null
  const fits = ladderSteps(domain).filter(({ amount }) => amount <= seconds * 1.05)
  return [...fits].sort((a, b) => b.amount - a.amount)[0]?.mark ?? null
}

/**
 * The ISO that a situation's darkest light asks for against the owner's own ladder: needed ISO = 100 · N² / (t · 2^EV). From
 * `isoNeed` on it is used in need only; where even that is never wanted, `iso-never-wanted` and `light-out-of-reach` tell.
 */
function inNeed(input: CheckInput, { name, situation, work, state }: Situated): CheckResult[] {
  const { model, plan } = input
  const need = rowValue(plan.rows, ownerRow('isoNeed'))
  const never = rowValue(plan.rows, ownerRow('isoNever'))
  const [dark] = work.light ?? []
  const [aperture, shutter] = [apertureIn(model, state.resolution), shutterIn(model, state.resolution)]
  if (typeof need !== 'number' || dark === undefined) return []
  if (aperture?.by !== 'owner' || shutter?.by !== 'owner') return []
  const needed = neededIso(dark, aperture.amount, shutter.amount)
  if (needed < need || (typeof never === 'number' && needed >= never)) return []
  return [
    {
      title: `${name}: ISO ${Math.round(needed)} at EV ${dark}, which you use in need only`,
      reason: `${aperture.mark} and ${shutter.mark} ask for ISO 100 × N² ÷ (t × 2^EV) = ${Math.round(needed)} at EV ${dark}; from ISO ${need} on it is in need for you. A wider aperture, a slower shutter speed or more light keeps below it.`,
      row: situationRow(situation, 'light'),
      seenIn: state,
    },
  ]
}

function showSeconds(seconds: number): string {
  return seconds < 0.4 ? `1/${Math.round(1 / seconds)}` : `${rounded(seconds)} s`
}

/**
 * Where automatic ISO stops: in the darkest light that is said, what is missing in manual, or the shutter that results in
 * aperture priority; needed ISO = 100 · N² / (t · 2^EV), and t = 100 · N² / (ISO · 2^EV).
 */
function outOfReach(input: CheckInput, { situation, name, work, state }: Situated): CheckResult[] {
  const { model } = input
  const { resolution } = state
  const [dark] = work.light ?? []
  const [aperture, shutter, iso] = [
    apertureIn(model, resolution),
    shutterIn(model, resolution),
    isoIn(model, resolution),
  ]
  const cap = valueMeaning(model, resolution, 'exposure.isoAutoCeiling')
  const most = stepOf('iso', cap?.value)
  if (dark === undefined || aperture?.by !== 'owner' || iso?.by !== 'camera' || !cap || !most || !shutter)
    return []
  if (shutter.by === 'owner') {
    const needed = neededIso(dark, aperture.amount, shutter.amount)
    const missing = Math.log2(needed / most.amount)
    if (missing < 0.34) return []
    return [
      lightResult(input, state, situation, cap, needed, {
        title: `${name}: ${countStops(missing)} of light missing at EV ${dark}`,
        reason: `${aperture.mark} and ${shutter.mark} need ISO 100 × N² ÷ (t × 2^EV) = ${Math.round(needed)} at EV ${dark}; automatic ISO stops at ${most.mark}, so the picture is ${countStops(missing)} too dark.`,
      }),
    ]
  }
  const floor = freezeFloor(work, input.plan)
  const seconds = shutterAtIso(dark, aperture.amount, most.amount)
  if (floor === null || Math.log2(seconds / floor) < 0.34) return []
  const needed = neededIso(dark, aperture.amount, floor)
  return [
    lightResult(input, state, situation, cap, needed, {
      title: `${name}: the shutter falls to about ${showSeconds(seconds)} at EV ${dark}`,
      reason: `At ${aperture.mark} automatic ISO reaches its ${most.mark}; then t = 100 × N² ÷ (ISO × 2^EV) = ${showSeconds(seconds)}, and what moves needs ${showSeconds(floor)}.`,
    }),
  ]
}

/** A finding about the light of a situation, with the ceiling that would meet it, where the body has one. */
function lightResult(
  input: CheckInput,
  state: ResolvedContext,
  situation: string,
  cap: ResolvedSetting,
  needed: number,
  words: Pick<CheckResult, 'title' | 'reason'>,
): CheckResult {
  const { model, plan, side } = input
  const row = rowOf(model, plan, side, cap)
  const enough = higherStep(cap.setting, needed)
  return {
    ...words,
    row: situationRow(situation, 'light'),
    seenIn: state,
    mends:
      enough === null
        ? []
        : [quickFix(plan, `Set ${cap.setting.label} to ${enough}`, 'light-out-of-reach', { [row]: enough })],
  }
}

/** The lowest mark of an ISO ladder that reaches an amount, a third of a stop let pass; null where none does. */
function higherStep({ domain }: Setting, amount: number): string | null {
  if (domain.kind !== 'ladder') return null
  return ladderSteps(domain).find((step) => Math.log2(amount / step.amount) < 0.34)?.mark ?? null
}
