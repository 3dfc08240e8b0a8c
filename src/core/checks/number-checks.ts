import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import { type RowId, bankFactRow, bankRow, lensRow } from '../plan/rows'
import { ladderSteps, showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel, LensModel } from '../model/types'
import { lampsOver, shutterAsked, type ShutterAsked } from '../banks/asked'
import { nearSafe, pulsesInWords } from '../numbers/flicker'
import { countStops, showStops } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { noBank, slotOf, whereaboutsIn, type Context } from '../resolve/context'
import { lightBetween } from '../resolve/marks'
import { shutterIn } from '../resolve/exposure'
import { valueMeaning } from '../resolve/meaning'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { decidedBy, rowOf, settingMeaning } from './meaning'

/** What the numbers say. */
export const numberChecks: readonly Check[] = [
  {
    id: 'motion-shutter',
    title: 'A shutter that does not fit the frame rate',
    number: 'film-shutter',
    severity: 'problem',
    cost: 1200,
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'motion' ? input.states.flatMap((one) => motionShutter(input, one)) : []),
  },
  {
    id: 'lamp-pulse',
    title: 'A shutter read by lines that is no whole number of lamp pulses',
    number: 'lamp-pulses',
    severity: 'tidies',
    cost: 60,
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => input.states.flatMap((one) => lampPulse(input, one)),
  },
  {
    id: 'exposure-jump',
    title: 'The exposure jumps when a bank is recalled',
    number: 'light-between',
    severity: 'tidies',
    needs: ['J35'],
    reasonSilences: true,
    run: exposureJump,
  },
  {
    id: 'time-outs-in-order',
    title: 'A time-out that never comes, because another comes first',
    severity: 'tidies',
    once: true,
    needs: ['§8'],
    reasonSilences: true,
    run: timeOuts,
  },
  {
    id: 'typed-focal',
    title: 'A lens that cannot tell its focal length',
    number: 'equivalent',
    severity: 'problem',
    cost: 300,
    once: true,
    needs: ['§7'],
    reasonSilences: true,
    run: typedFocal,
  },
]

/** Further off than this, in stops, a motion shutter is pointed out: two thirds of a stop are seen as a look. */
const shutterToleranceStops = 0.34

/** A jump from here on is pointed out: a whole stop is seen by everybody. */
const jumpStops = 1

/** A time that is longer than a frame, or does not fit the rate: with the lamps in one way out, so that neither undoes the other. */
function motionShutter({ model, plan }: CheckInput, one: ResolvedContext): CheckResult[] {
  const asked = shutterAsked(model, plan, one.resolution)
  if (!asked) return []
  const row = shutterRow(model, plan, one.context)
  const mends = [quickFix(plan, `Set ${asked.wanted}`, 'motion-shutter', { [row]: asked.wanted })]
  if (asked.tooLong)
    return [
      {
        title: `${asked.now} cannot be set at ${asked.rate}`,
        reason: `A frame at ${asked.rate} lasts 1/${asked.framesPerSecond} s, and the shutter cannot be open for longer. ${fitting(asked)}`,
        row,
        mends,
        seenIn: one,
      },
    ]
  if (Math.abs(asked.offStops) <= shutterToleranceStops) return []
  return [
    {
      title: `${asked.rate} asks for ${asked.wanted}, not ${asked.now}`,
      reason: `${asked.now} is ${showStops(asked.offStops)} off, and movement will look ${asked.offStops < 0 ? 'choppy' : 'smeared'}. ${fitting(asked)}`,
      row,
      mends,
      seenIn: one,
    },
  ]
}

/** What fits rate and lamps, and how that came about. */
function fitting({ formula, step, wanted, lamps, lampsFit }: ShutterAsked): string {
  const natural = `${formula}; the nearest step is ${step.mark}.`
  if (!lamps) return natural
  const pulse = `Lamps pulse ${lamps.perSecond} times a second (${lamps.source})`
  if (!lampsFit)
    return `${natural} ${pulse}: no time near it is a whole number of pulses, so it needs light that does not pulse.`
  return wanted === step.mark
    ? natural
    : `${natural} ${pulse}: ${wanted} is a whole number of them and near enough.`
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

/** A time is safe under pulsing lamps where it is a whole number of pulses; a film whose time is wrong anyway is told so once. */
function lampPulse({ model, plan, side }: CheckInput, one: ResolvedContext): CheckResult[] {
  const shutter = valueMeaning(model, one.resolution, 'exposure.shutter')
  const part = shutterIn(model, one.resolution)
  const domain = shutter?.setting.domain
  const byLines = side === 'motion' || valueMeaning(model, one.resolution, 'shutter.kind')?.value === 'silent'
  if (!shutter || !part || part.by === 'camera' || domain?.kind !== 'ladder' || !byLines) return []
  if (decidedBy(part.resolved) === null) return []
  const asked = side === 'motion' ? shutterAsked(model, plan, one.resolution) : null
  if (asked && (asked.tooLong || Math.abs(asked.offStops) > shutterToleranceStops)) return []
  const frame = asked ? 1 / asked.framesPerSecond : Infinity
  const steps = ladderSteps(domain).filter(({ amount }) => amount <= frame * 1.001)
  const lamps = lampsOver(model, plan, one.resolution, part.amount, steps)
  if (!lamps || lamps.whole) return []
  const near = nearSafe(lamps.safe)
  return [
    {
      title: `${part.mark} may band under lamps`,
      reason: `Lamps pulse ${lamps.perSecond} times a second (${lamps.source}); ${part.mark} lasts ${pulsesInWords(lamps.count)}. A whole number is safe${near === '' ? '; none of its times is' : `: ${near}`}.`,
      row: rowOf(model, plan, side, part.resolved),
      asks: !lamps.sure,
      seenIn: one,
    },
  ]
}

function exposureJump({ model, states: situated }: CheckInput): CheckResult[] {
  const plain = situated.find((one) => one.bank === noBank)
  if (!plain) return []
  return situated.flatMap((one): CheckResult[] => {
    const slot = slotOf(one.context)
    const jump = lightBetween(model, plain.resolution, one.resolution)
    if (!slot || !jump?.fromByHand || !jump.toByHand || Math.abs(jump.stops) < jumpStops) return []
    const { from, to } = jump
    const parts = [
      { words: `Shutter ${from.shutter} → ${to.shutter}`, stops: jump.shutterStops },
      { words: `aperture ${from.aperture} → ${to.aperture}`, stops: jump.apertureStops },
      { words: `${from.iso} → ${to.iso}`, stops: jump.isoStops },
      { words: `${from.nd ?? ''} → ${to.nd ?? ''}`, stops: jump.ndStops },
    ].flatMap(({ words, stops }) => (stops === 0 ? [] : [`${words}: ${showStops(stops)}`]))
    return [
      {
        title: `${one.bank} is ${countStops(jump.stops)} ${jump.stops > 0 ? 'brighter' : 'darker'} than without a bank`,
        reason: `${parts.join('; ')}. Together ${showStops(jump.stops)}.`,
        row: bankFactRow(slot.family, slot.slot, 'side'),
        seenIn: one,
      },
    ]
  })
}

/** What goes to sleep first comes first: the meter, then the screen, then the camera; each with its seconds a unit. */
const timeOutOrder = [
  { means: 'exposure.meterTimer', seconds: 1 },
  { means: 'power.screenOff', seconds: 60 },
  { means: 'power.sleep', seconds: 60 },
] as const

/** Time-outs that the plan sets so that a later one comes before an earlier: the earlier never comes. */
function timeOuts({ model, plan, side }: CheckInput): CheckResult[] {
  const all = timeOutOrder.flatMap(({ means, seconds }) => {
    const setting = settingMeaning(model, means)
    if (setting?.domain.kind !== 'number') return []
    const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    const value = baseValue(model, plan.rows, setting, side)
    return typeof value === 'number' ? [{ setting, row, value, seconds, domain: setting.domain }] : []
  })
  return all.flatMap((early, i): CheckResult[] => {
    const late = all[i + 1]
    if (!late || early.value * early.seconds <= late.value * late.seconds) return []
    if (![early, late].some(({ row }) => Object.hasOwn(plan.rows, row))) return []
    const { from, to, step } = late.domain
    const enough = from + Math.ceil((early.value * early.seconds) / late.seconds / step - from / step) * step
    return [
      {
        title: `${early.setting.label} (${showValue(early.domain, early.value)}) never comes: ${late.setting.label} is ${showValue(late.domain, late.value)}`,
        reason: `${late.setting.label} comes first, and then nothing of the other is left to switch off. In order: ${all.map(({ setting }) => setting.label).join(', then ')}.`,
        row: late.row,
        mends:
          enough <= to
            ? [
                quickFix(
                  plan,
                  `Set ${late.setting.label} to ${showValue(late.domain, enough)}`,
                  'time-outs-in-order',
                  {
                    [late.row]: enough,
                  },
                ),
              ]
            : [],
      },
    ]
  })
}

/** A lens without contacts steadies right only if its focal length is typed; a zoom at each of its ends. */
function typedFocal({ model, plan, side, lenses }: CheckInput): CheckResult[] {
  const setting = settingMeaning(model, 'stabiliser.typedFocal')
  if (setting?.domain.kind !== 'number') return []
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const typed = plan.rows[row]
  const { from, to } = setting.domain
  const silent = lenses.filter((lens) => !lens.contacts && plan.rows[lensRow(lens.id)] === true)
  const fits = ({ focalMm: [short, long] }: LensModel) =>
    typeof typed === 'number' && typed >= short && typed <= long
  const off = silent.filter((lens) => !fits(lens))
  const right = silent.find(fits)
  const menu = lookup(model).menuAddress.get(setting.id) ?? 'the menu'
  return off.map((lens): CheckResult => {
    const [short, long] = lens.focalMm
    const says = typed === undefined ? `is left at ${String(setting.factory)} mm` : `says ${String(typed)} mm`
    const has = `${lens.name} has ${short === long ? short : lens.focalMm.join(' to ')} mm`
    return {
      ...(right ? { severity: 'tidies' as const } : {}),
      title: right
        ? `${lens.name} asks for its focal length when it is mounted`
        : `${lens.name} cannot tell its focal length`,
      reason: right
        ? `${setting.label} (${menu}) ${says}, as ${right.name} has it; ${has}: type it each time the lens is changed, for the stabiliser goes by what is typed.`
        : `${setting.label} (${menu}) ${says}; ${has}, and the stabiliser goes by what is typed.`,
      row,
      mends:
        !right && short >= from && short <= to
          ? [quickFix(plan, `Type ${short} mm`, 'typed-focal', { [row]: short })]
          : [],
    }
  })
}
