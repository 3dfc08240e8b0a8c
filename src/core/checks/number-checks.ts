import { baseRow, defaultWhereabouts } from '../plan/cells'
import { type RowId, bankFactRow, bankRow, lensRow } from '../plan/rows'
import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { lampPulses, shutterAsked } from '../banks/asked'
import { nearSafe, pulsesIn } from '../numbers/flicker'
import { countStops, showStops } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { whereaboutsIn, type Context } from '../resolve/context'
import { lightBetween } from '../resolve/marks'
import { valueMeaning } from '../resolve/meaning'
import { stepOf } from '../vocabulary/ladders'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { decidedBy, rowOf, settingMeaning } from './meaning'

/** What the numbers say. */
export const numberChecks: readonly Check[] = [
  {
    id: 'motion-shutter',
    title: 'A shutter that does not fit the frame rate',
    severity: 'trips',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'motion' ? input.states.flatMap((one) => motionShutter(input, one)) : []),
  },
  {
    id: 'lamp-pulse',
    title: 'A motion shutter that is no whole number of lamp pulses',
    severity: 'tidies',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'motion' ? input.states.flatMap((one) => lampPulse(input, one)) : []),
  },
  {
    id: 'exposure-jump',
    title: 'The exposure jumps when a bank is recalled',
    severity: 'tidies',
    needs: ['J35'],
    reasonSilences: true,
    run: exposureJump,
  },
  {
    id: 'typed-focal',
    title: 'A lens that cannot tell its focal length',
    severity: 'trips',
    needs: ['§7'],
    reasonSilences: true,
    run: typedFocal,
  },
]

/** Further off than this, in stops, a motion shutter is pointed out: two thirds of a stop are seen as a look. */
const shutterToleranceStops = 0.34

/** Exposure modes in which the camera chooses the time. */
const cameraTimes: ReadonlySet<unknown> = new Set(['full-auto', 'aperture-first'])

/** A jump from here on is pointed out: a whole stop is seen by everybody. */
const jumpStops = 1

function motionShutter({ model, plan }: CheckInput, one: ResolvedContext): CheckResult[] {
  const asked = shutterAsked(model, one.resolution)
  const mode = valueMeaning(model, one.resolution, 'exposure.mode')
  if (mode && cameraTimes.has(mode.value)) return []
  if (!asked || Math.abs(asked.offStops) <= shutterToleranceStops) return []
  const row = shutterRow(model, plan, one.context)
  return [
    {
      title: `${asked.rate} asks for ${asked.wanted}, not ${asked.now}`,
      reason: `${asked.formula}; the nearest step is ${asked.wanted}. ${asked.now} is ${showStops(asked.offStops)} from it, and movement will look ${asked.offStops < 0 ? 'choppy' : 'smeared'}.`,
      row,
      mends: [quickFix(plan, `Set ${asked.wanted}`, 'motion-shutter', { [row]: asked.wanted })],
      seenIn: one,
    },
  ]
}

/** The row that gives a context its shutter: the slot's where one is in force and keeps it, else the base's. */
function shutterRow(model: BodyModel, plan: Plan, context: Context): RowId {
  const setting = settingMeaning(model, 'exposure.shutter')
  if (!setting) throw new Error('asked only when the model has a shutter setting')
  const slot = setting.storedBy === null ? null : (context.banks[setting.storedBy] ?? null)
  return slot === null || setting.storedBy === null
    ? baseRow(plan.rows, setting, whereaboutsIn(model, context))
    : bankRow(setting.storedBy, slot, setting.id)
}

/** A time is safe under pulsing lamps where it is a whole number of pulses. */
function lampPulse({ model, plan, side }: CheckInput, one: ResolvedContext): CheckResult[] {
  const shutter = valueMeaning(model, one.resolution, 'exposure.shutter')
  const now = stepOf('shutter', shutter?.value)
  const lamp = lampPulses(model, plan, one.resolution)
  const domain = shutter?.setting.domain
  if (!shutter || !now || !lamp || domain?.kind !== 'ladder' || decidedBy(shutter) === null) return []
  const { count, whole, safe } = pulsesIn(now.amount, lamp.perSecond, ladderSteps(domain))
  if (whole) return []
  const near = nearSafe(safe)
  return [
    {
      title: `${now.mark} may band under lamps`,
      reason: `Lamps pulse ${lamp.perSecond} times a second (${lamp.source}); ${now.mark} lasts ${Math.round(count * 100) / 100} pulses. A whole number of them is safe${near === '' ? '' : `: ${near}`}.`,
      row: rowOf(model, plan, side, shutter),
      asks: !lamp.sure,
      seenIn: one,
    },
  ]
}

function exposureJump({ model, states: situated }: CheckInput): CheckResult[] {
  const plain = situated.find((one) => one.bank === 'plain')
  if (!plain) return []
  return situated.flatMap((one): CheckResult[] => {
    const slot = Object.entries(one.context.banks).find(([, id]) => id !== null)
    const jump = lightBetween(model, plain.resolution, one.resolution)
    if (!slot || !jump?.fromByHand || !jump.toByHand || Math.abs(jump.stops) < jumpStops) return []
    const { from, to } = jump
    const parts = [
      { words: `Shutter ${from.shutter} → ${to.shutter}`, stops: jump.shutterStops },
      { words: `aperture ${from.aperture} → ${to.aperture}`, stops: jump.apertureStops },
      { words: `${from.iso} → ${to.iso}`, stops: jump.isoStops },
    ].flatMap(({ words, stops }) => (stops === 0 ? [] : [`${words}: ${showStops(stops)}`]))
    return [
      {
        title: `${one.bank} is ${countStops(jump.stops)} ${jump.stops > 0 ? 'brighter' : 'darker'} than plain`,
        reason: `${parts.join('; ')}. Together ${showStops(jump.stops)}.`,
        row: bankFactRow(slot[0], slot[1] ?? '', 'side'),
        seenIn: one,
      },
    ]
  })
}

/** A lens without contacts steadies right only if its focal length is typed; a zoom at each of its ends. */
function typedFocal({ model, plan, side, lenses, first }: CheckInput): CheckResult[] {
  const setting = settingMeaning(model, 'stabiliser.typedFocal')
  if (!first || setting?.domain.kind !== 'number') return []
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const typed = plan.rows[row]
  const { from, to } = setting.domain
  const silent = lenses.filter((lens) => !lens.contacts && Object.hasOwn(plan.rows, lensRow(lens.id)))
  const off = silent.find(
    ({ focalMm: [short, long] }) => typeof typed !== 'number' || typed < short || typed > long,
  )
  if (!off || silent.some((lens) => lens !== off && lens.focalMm[0] === typed)) return []
  const menu = lookup(model).menuAddress.get(setting.id) ?? 'the menu'
  const [short] = off.focalMm
  return [
    {
      title: `${off.name} cannot tell its focal length`,
      reason: `${setting.label} (${menu}) ${typed === undefined ? `is left at ${String(setting.factory)} mm` : `says ${String(typed)} mm`}; the lens has ${off.focalMm[0] === off.focalMm[1] ? short : off.focalMm.join(' to ')} mm, and the stabiliser goes by what is typed.`,
      row,
      mends:
        short >= from && short <= to
          ? [quickFix(plan, `Type ${short} mm`, 'typed-focal', { [row]: short })]
          : [],
    },
  ]
}
