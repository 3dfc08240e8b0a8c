import { ownerRow, rowValue } from '../plan/rows'
import { ladderSteps } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { cropped, slowMotion } from '../numbers/film'
import { keepsStep, nearSafe, pulsesInWords } from '../numbers/flicker'
import { evAtIso, makeUpFor, rounded, shutterAtIso } from '../numbers/light'
import { countStops, showStops } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { apertureIn, captureRateIn, ndStopsIn, shutterIn } from '../resolve/exposure'
import { lightBetween, marksInWords } from '../resolve/marks'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution } from '../resolve/resolved'
import { ladders, nearestStep, stepOf } from '../vocabulary/ladders'
import { sameValue } from '../vocabulary/values'
import { lampsOver, shutterAsked } from './asked'
import { burstIn } from './burst'
import type { Column } from './columns'

/** A number that a column brings with it, and how it came about. */
export interface Figure {
  readonly id: 'shutter' | 'light' | 'flicker' | 'slow' | 'iso' | 'crop' | 'burst'
  readonly what: string
  readonly value: string
  /** What follows, in a sentence or two. */
  readonly words: string
  /** The same in three words, for a narrow column. */
  readonly short?: string
  readonly formula: string
  readonly inputs: readonly (readonly [name: string, value: string])[]
  /** False where it is a problem on the job. */
  readonly fits: boolean
}

/** Every figure of a column against the base of its side. */
export function figuresOf(
  model: BodyModel,
  plan: Plan,
  column: Column,
  here: Resolution,
  base: Resolution,
): Figure[] {
  const all = [
    shutterFigure(model, plan, column, here),
    lightFigure(model, plan, column, here, base),
    flickerFigure(model, plan, column, here),
    slowFigure(model, plan, column, here),
    isoFigure(model, here),
    cropFigure(model, plan, column, here),
    burstFigure(model, column, here),
  ]
  return all.filter((one) => one !== null)
}

function valueIn(model: BodyModel, state: Resolution, means: string) {
  return valueMeaning(model, state, means)?.value
}

function shutterFigure(model: BodyModel, plan: Plan, { side }: Column, here: Resolution): Figure | null {
  const asked = side === 'motion' ? shutterAsked(model, plan, here) : null
  if (!asked) return null
  const fits = Math.abs(asked.offStops) < 0.05 && !asked.tooLong
  const off = `${countStops(asked.offStops)} ${asked.offStops > 0 ? 'longer: movement smears' : 'shorter: movement is choppy'}`
  const isAngle = asked.now.endsWith('°')
  const chosen = asked.part.by === 'camera'
  const instead = asked.tooLong
    ? `${asked.now} cannot be set: a frame lasts 1/${asked.framesPerSecond} s. ${asked.rate} asks for ${asked.wanted}.`
    : `${asked.rate} asks for ${asked.wanted}; it has ${asked.now}, ${off}.`
  const own = isAngle
    ? `At ${asked.rate} ${asked.now} is 1/${rounded(1 / asked.part.amount)} s.`
    : `${asked.rate} asks for ${asked.wanted}, and has it.`
  const lamps = asked.lamps && !asked.lampsFit ? ' No time near it is a whole number of lamp pulses.' : ''
  return {
    id: 'shutter',
    what: 'Shutter speed for the frame rate',
    value: asked.wanted,
    words: chosen
      ? `${asked.rate} asks for ${asked.wanted}; in this exposure mode the camera chooses the time.`
      : (fits ? own : instead) + lamps,
    short: chosen ? 'camera chooses' : fits ? `for ${asked.rate}` : `for ${asked.rate}; has ${asked.now}`,
    formula: `${asked.formula}; the nearest step ${asked.step.mark} is ${asked.stepAngleDegrees.toFixed(1)}° (${asked.deviationStops.toFixed(2)} stops)`,
    inputs: [
      ['frame rate', asked.rate],
      ['angle', isAngle ? asked.now : `${asked.angleDegrees}°`],
      ['shutter', asked.now],
      ...(asked.lamps
        ? [['pulses a second', `${asked.lamps.perSecond}, ${asked.lamps.source}`] as const]
        : []),
    ],
    fits,
  }
}

function lightFigure(
  model: BodyModel,
  plan: Plan,
  column: Column,
  here: Resolution,
  base: Resolution,
): Figure | null {
  const jump = lightBetween(model, base, here)
  if (!jump || column.kind === 'base') return null
  const { from, to } = jump
  const what = 'Exposure against base'
  const inputs = [
    ['base', marksInWords(from)],
    [column.name, marksInWords(to)],
  ] as const
  const terms = [
    ['log₂(t₂/t₁)', jump.shutterStops],
    ['log₂(N₁²/N₂²)', jump.apertureStops],
    ['log₂(S₂/S₁)', jump.isoStops],
    ...(to.nd === null ? [] : [['ND₁ − ND₂', jump.ndStops] as const]),
  ] as const
  const formula = `${terms.map(([term]) => term).join(' + ')} = ${terms.map(([, stops]) => signed(stops)).join(' ')} = ${signed(jump.stops)} stops`
  const by = (value: string, short: string, words: string): Figure => ({
    id: 'light',
    what,
    value,
    words,
    short,
    formula,
    inputs,
    fits: true,
  })
  if (!jump.toByHand) return by('metered', 'by the camera', 'The camera sets the exposure: nothing jumps.')
  if (!jump.fromByHand)
    return by('by hand', 'base is metered', 'In base the camera sets the exposure; here it is as set.')
  const lens = column.context.lens
  const iso = lookup(model).byMeaning.get('exposure.iso')?.domain
  const widest = stepOf('aperture', lens.widest)?.amount ?? 0
  const range = {
    iso: iso?.kind === 'ladder' ? ladderSteps(iso) : ladders.iso,
    apertures: ladders.aperture.filter((step) => step.amount >= widest),
  }
  const waysFrom = (stops: number) =>
    makeUpFor(stops, to, range)
      .filter((one) => one.there)
      .map((one) => one.to)
  const possible = waysFrom(jump.stops)
  // A shutter that does not fit its rate is set first: what makes up for the light is what is left then.
  const asked = column.side === 'motion' ? shutterAsked(model, plan, here) : null
  const first = asked && (asked.tooLong || Math.abs(asked.offStops) >= 0.05) ? asked : null
  const wanted = first ? stepOf('shutter', first.wanted) : undefined
  const now = first?.part.amount ?? 0
  const later = wanted && now > 0 ? jump.stops + Math.log2(wanted.amount / now) : null
  const then = later === null ? [] : waysFrom(later)
  const instead =
    first && later !== null
      ? ` With ${first.wanted}, which ${first.rate} asks for, it is ${showStops(later)}${then.length > 0 ? `: ${then.join(', or ')}` : ''}.`
      : ''
  return {
    id: 'light',
    what,
    value: showStops(jump.stops),
    words:
      Math.abs(jump.stops) < 0.05
        ? `As bright as base.${instead}`
        : `${countStops(jump.stops)} ${jump.stops > 0 ? 'brighter' : 'darker'} than base. ${possible.join(', or ')} makes up for it.${instead}`,
    formula,
    inputs,
    short:
      first && then.length > 0
        ? `with ${first.wanted}: ${then.slice(0, 2).join(' or ')}`
        : possible.slice(0, 2).join(' or '),
    fits: Math.abs(jump.stops) < 1,
  }
}

function flickerFigure(model: BodyModel, plan: Plan, { side }: Column, here: Resolution): Figure | null {
  const part = shutterIn(model, here)
  const domain = lookup(model).byMeaning.get('exposure.shutter')?.domain
  if (!part || part.by === 'camera' || domain?.kind !== 'ladder') return null
  const rate = side === 'motion' ? captureRateIn(model, here) : null
  const frame = rate ? 1 / rate.framesPerSecond : Infinity
  const steps = ladderSteps(domain).filter(({ amount }) => amount <= frame * 1.001)
  const lamp = lampsOver(model, plan, here, part.amount, steps)
  const byLines = side === 'motion' || valueIn(model, here, 'shutter.kind') === 'silent'
  // A curtain bands too where it is open for less than a pulse.
  if (!lamp || (!byLines && part.amount >= 1 / lamp.perSecond)) return null
  const { count, whole, safe } = lamp
  const drifts = rate !== null && !keepsStep(rate.framesPerSecond, lamp.perSecond)
  const unsafe = byLines
    ? `${part.mark} may band; safe are ${nearSafe(safe) || 'none of its times'}.`
    : `${part.mark} is shorter than a pulse: brightness and colour differ from picture to picture, and across it, also with a curtain.`
  return {
    id: 'flicker',
    what: 'Lamps',
    value: pulsesInWords(count),
    words: whole
      ? `${part.mark} is a whole number of pulses${drifts ? `, but ${rate.mark} does not keep step with them` : ''}.`
      : `${unsafe}${lamp.sure ? '' : ' On which mains the lamps are is not known.'}`,
    formula: `t · f = ${part.mark} · ${lamp.perSecond} = ${rounded(count)}`,
    inputs: [
      ['shutter', part.mark],
      ['pulses a second', `${lamp.perSecond}, ${lamp.source}`],
    ],
    fits: whole,
  }
}

function slowFigure(model: BodyModel, plan: Plan, { side }: Column, here: Resolution): Figure | null {
  const rate = side === 'motion' ? captureRateIn(model, here) : null
  const said = rowValue(plan.rows, ownerRow('playedRate'))
  const played = typeof said === 'number' ? said : 25
  if (!rate || rate.framesPerSecond <= (typeof said === 'number' ? said : 60)) return null
  const { factor, secondsOfTen } = slowMotion(rate.framesPerSecond, played)
  return {
    id: 'slow',
    what: 'Slow motion',
    value: `${rounded(factor)} ×`,
    words: `10 s of the scene last ${rounded(secondsOfTen)} s at ${played}p.`,
    formula: `${rate.framesPerSecond} / ${played} = ${rounded(factor)}`,
    inputs: [
      ['captured', rate.mark],
      ['played', `${played}p${typeof said === 'number' ? '' : ', as usual'}`],
    ],
    fits: true,
  }
}

function isoFigure(model: BodyModel, here: Resolution): Figure | null {
  if (valueIn(model, here, 'exposure.isoAuto') !== true) return null
  const [floor, cap] = ['exposure.isoAutoFloor', 'exposure.isoAutoCeiling'].map((means) =>
    stepOf('iso', valueIn(model, here, means)),
  )
  const [aperture, shutter] = [apertureIn(model, here), slowestIn(model, here)]
  if (!cap || !shutter || aperture?.by !== 'owner') return null
  const nd = ndStopsIn(model, here)
  const ev = evAtIso(aperture.amount, shutter.amount, cap.amount) + nd
  const darker = nearestStep('shutter', shutterAtIso(ev - nd - 2, aperture.amount, cap.amount))
  return {
    id: 'iso',
    what: 'Auto ISO',
    value: `${floor ? `${floor.mark.replace('ISO ', '')}–` : ''}${cap.mark.replace('ISO ', '')}`,
    words: `At ${aperture.mark} and ${shutter.mark} it reaches its maximum at EV ${rounded(ev)}; two stops darker you would need ${darker.mark}.`,
    formula:
      nd > 0
        ? `EV = log₂(100 · N² / (t · ISO)) + ND; t = 100 · N² / (ISO · 2^(EV − ND))`
        : `EV = log₂(100 · N² / (t · ISO)); t = 100 · N² / (ISO · 2^EV)`,
    inputs: [
      ['maximum', cap.mark],
      ['aperture', aperture.mark],
      ['shutter', shutter.mark],
      ...(nd > 0 ? [['ND filter', countStops(nd)] as const] : []),
    ],
    fits: true,
  }
}

/** The time with which automatic ISO reaches its ceiling: the one set, or where the camera chooses it the slowest it may. */
function slowestIn(model: BodyModel, here: Resolution): { mark: string; amount: number } | null {
  const shutter = shutterIn(model, here)
  if (shutter?.by !== 'camera') return shutter
  const byFocal = valueIn(model, here, 'exposure.minimumShutterMode') === 'focal'
  const slowest = stepOf('shutter', valueIn(model, here, 'exposure.minimumShutter'))
  return byFocal || !slowest ? null : slowest
}

function cropFigure(model: BodyModel, plan: Plan, column: Column, here: Resolution): Figure | null {
  const cut = model.sensor.crops.find(({ setting, value }) => {
    const films = setting.startsWith('movie.')
    return sameValue(here.settings.get(setting)?.value, value) && films === (column.side === 'motion')
  })
  if (!cut) return null
  const said = rowValue(plan.rows, ownerRow('deliveryWidth'))
  const [width] = model.sensor.pixels
  const size = String(valueIn(model, here, 'movie.size') ?? '')
  const delivered =
    typeof said === 'number'
      ? said
      : column.side === 'motion'
        ? (model.sensor.filmWidths[size] ?? 3840)
        : 3840
  const { focalMm } = column.context.lens
  const found = cropped(cut.factor, focalMm, width, delivered)
  const [short, long] = found.equivalentMm.map((one) => Math.round(one))
  return {
    id: 'crop',
    what: 'Crop',
    value: `${cut.factor} ×`,
    words: `The lens sees as ${short === long ? '' : `${short ?? 0} to `}${long ?? 0} mm; ${Math.round(found.pixelsLeft * 100)} % of the pixels are left, ${found.widthPixels} across: ${found.headroom >= 1 ? `enough for ${delivered}` : `too few for ${delivered}`}.`,
    formula: `f · ${cut.factor}; ${width} / ${cut.factor} = ${found.widthPixels}; 1 / ${cut.factor}² = ${Math.round(found.pixelsLeft * 100)} %; ${found.widthPixels} / ${delivered} = ${rounded(found.headroom)}`,
    inputs: [
      ['focal length', `${focalMm[0] === focalMm[1] ? focalMm[0] : focalMm.join('–')} mm`],
      ['sensor', `${width} across`],
      ['delivered', `${delivered} across`],
    ],
    fits: found.headroom >= 1,
  }
}

function burstFigure(model: BodyModel, { side }: Column, here: Resolution): Figure | null {
  const burst = side === 'stills' ? burstIn(model, here) : null
  if (!burst) return null
  const [least, most] = burst.seconds.map((seconds) => rounded(seconds))
  const pace = Math.min(burst.asked, burst.most ?? burst.asked)
  const fits = burst.most === null || burst.asked <= burst.most
  return {
    id: 'burst',
    what: 'Burst',
    value: `${least ?? ''} to ${most ?? ''} s`,
    words: `${burst.frames.join(' to ')} frames at ${pace} a second fill the buffer in ${least ?? ''} to ${most ?? ''} s; a fast card adds to that.${fits ? '' : ` ${burst.asked} a second are not to be had with ${burst.shutter} and ${burst.files}.`}`,
    formula: `${burst.frames[0]} / ${pace} = ${least ?? ''}; ${burst.frames[1]} / ${pace} = ${most ?? ''}`,
    inputs: [
      ['rate', `${burst.asked} a second`],
      ['shutter', burst.shutter],
      ['files', burst.files],
    ],
    fits,
  }
}

function signed(stops: number): string {
  const tenths = Math.round(stops * 10) / 10
  return tenths < 0 ? `− ${Math.abs(tenths)}` : `+ ${Math.abs(tenths)}`
}
