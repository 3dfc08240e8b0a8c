import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import { type RowId, describeRow, holdRow, keyRow, noteRow, rowValue, schoolRow, showRow } from '../plan/rows'
import type { Address } from '../model/addresses'
import { checkValue } from '../model/domain'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel, ModelFunction, Side } from '../model/types'
import { functionAt } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { setRows } from '../plan/step'
import type { Step } from '../sync/step'
import { focusRole } from '../vocabulary/focus-roles'
import { disputeCalled, type School } from '../vocabulary/schools'
import { sameValue, type Value } from '../vocabulary/values'

/** A way to work focus, as a beginning: what it sets, what it puts on keys, and what it costs. */
export interface Scheme {
  /** The school of the question what starts autofocus. */
  readonly school: School
  /** Who works so. */
  readonly who: string
  readonly costs: string
  /** Common settings and what they are set to, where the body has them. */
  readonly settings: readonly (readonly [means: string, value: Value])[]
  /** For each key it wants the common functions that would do, the best first. */
  readonly keys: readonly (readonly string[])[]
  /** Keys that start autofocus are kept spare: left as they are, with the reason beside them. */
  readonly keepsSpare: boolean
}

/** The question the schemes answer. */
export const schemeDispute = 'focus-start'

const thumbFocus: Scheme['settings'] = [
  ['focus.halfPress', false],
  ['focus.halfPressMotion', false],
]

const told: Readonly<Record<string, Omit<Scheme, 'school'>>> = {
  'half-press': {
    who: 'Whoever hands the camera to others, and whoever photographs what stands still.',
    costs: 'Focus moves at every picture; to recompose, the finger stays half-way down.',
    settings: [
      ['focus.halfPress', true],
      ['focus.halfPressMotion', true],
    ],
    keys: [],
    keepsSpare: true,
  },
  thumb: {
    who: 'Stage and action: following and waiting with the same setting.',
    costs: 'A key under the thumb; and whoever borrows the camera gets nothing sharp.',
    settings: [...thumbFocus, ['focus.mode', 'follow']],
    keys: [['focus.start']],
    keepsSpare: false,
  },
  both: {
    who: 'Portraits and puppets in one evening: eyes when there are eyes, else a point.',
    costs: 'A key under the thumb; detection stays off until it is asked for.',
    settings: [
      ['focus.halfPress', true],
      ['focus.halfPressMotion', true],
      ['focus.mode', 'follow'],
      ['focus.area', 'point'],
      ['focus.detection', false],
    ],
    keys: [['focus.startDetection']],
    keepsSpare: false,
  },
  areas: {
    who: 'Action in changing depth: birds, sport, children.',
    costs: 'Three keys, and fingers that know them apart.',
    settings: [...thumbFocus, ['focus.mode', 'follow']],
    keys: [['focus.startPoint'], ['focus.startArea', 'focus.start'], ['focus.startDetection']],
    keepsSpare: false,
  },
  tap: {
    who: 'Whoever focuses on a post, a mark or a ledge, and waits there.',
    costs: 'What moves off the plane is not followed; tap again.',
    settings: [...thumbFocus],
    keys: [['focus.start']],
    keepsSpare: false,
  },
  ring: {
    who: 'Close work and dark stages, where the camera takes the wrong thing for the subject.',
    costs: 'One key, held while the ring is turned.',
    settings: [['focus.mode', 'follow']],
    keys: [['bank.holdSet', 'focus.flipModeHold', 'focus.flipMode']],
    keepsSpare: false,
  },
  flip: {
    who: 'Whoever has people who sit and people who run in one hour.',
    costs: 'One key; and a look at the sign that says which of the two it is.',
    settings: [],
    keys: [['focus.flipContinuous', 'focus.chooseMode']],
    keepsSpare: false,
  },
  front: {
    who: 'Action that is picked out of a crowd: the tracker is put on it first, and focus begins when it counts.',
    costs: 'Two keys under two hands or fingers.',
    settings: [...thumbFocus, ['focus.mode', 'follow']],
    keys: [['focus.start'], ['focus.toggleTracking', 'focus.startTracking']],
    keepsSpare: false,
  },
  'half-stop': {
    who: 'Whoever follows with the shutter button and composes in between.',
    costs: 'A key that does the opposite of what others expect of a thumb key.',
    settings: [
      ['focus.halfPress', true],
      ['focus.halfPressMotion', true],
      ['focus.mode', 'follow'],
    ],
    keys: [['focus.stop', 'focus.lock']],
    keepsSpare: false,
  },
}

/** Every scheme, in the order of the question's schools. */
export const schemes: readonly Scheme[] = (disputeCalled(schemeDispute)?.schools ?? []).flatMap((school) => {
  const more = told[school.id]
  return more ? [{ school, ...more }] : []
})

/** One row a scheme changes on a side, in words. */
export interface SchemeChange {
  readonly row: RowId
  readonly to: Value
  readonly what: string
  readonly from: string
  readonly becomes: string
}

/** What a scheme would change, and what this body has not. */
export interface SchemeWork {
  readonly changes: readonly SchemeChange[]
  /** What it wants and the body lacks, in words. */
  readonly lacks: readonly string[]
}

/**
 * What is left to do on a side until a plan works by a scheme: nothing where it does. Settings of the other side only
 * are passed over. A key that has the function already keeps it; else it goes where a thumb rests and nothing is lost.
 */
export function schemeWork(model: BodyModel, plan: Plan, side: Side, scheme: Scheme): SchemeWork {
  const changes: SchemeChange[] = []
  const change = (row: RowId, from: Value | null, to: Value) =>
    changes.push({
      row,
      to,
      what: describeRow(model, row),
      from: showRow(model, row, from),
      becomes: showRow(model, row, to),
    })
  const lacks: string[] = []
  for (const [means, value] of scheme.settings) {
    const setting = lookup(model).byMeaning.get(means)
    if (!setting || (means === 'focus.halfPressMotion' && side !== 'motion')) continue
    const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    if (!checkValue(setting.domain, value, row).ok) lacks.push(`${setting.label} has no such value here`)
    else {
      const now = baseValue(model, plan.rows, setting, side)
      if (!sameValue(now, value)) change(row, now, value)
    }
  }
  const taken = new Set<string>()
  for (const wanted of scheme.keys) {
    const fn = firstOf(model, wanted, side)
    if (!fn) {
      lacks.push('this body has no function for it')
      continue
    }
    const address = keyFor(model, plan, side, fn, taken)
    if (!address) {
      lacks.push(`no key takes ${fn.name}`)
      continue
    }
    taken.add(address.key)
    const now = functionAt(plan, address)
    if (now !== fn.id) change(keyRow(address), now, fn.id)
    const held = holdRowOf(model, fn)
    if (held && rowValue(plan.rows, held) !== 'manual') change(held, rowValue(plan.rows, held), 'manual')
  }
  if (scheme.keepsSpare)
    for (const address of startersOn(model, plan, side)) {
      const reason = noteRow('why', keyRow(address))
      if (rowValue(plan.rows, reason) === null) change(reason, null, spare)
    }
  return { changes, lacks }
}

/** The step that makes a plan work by a scheme on some sides, and says that its owner does. */
export function schemeStep(
  model: BodyModel,
  plan: Plan,
  sides: readonly Side[],
  scheme: Scheme,
  id: string,
): Step {
  const changes = sides.flatMap((side) => schemeWork(model, plan, side, scheme).changes)
  return setRows(plan, id, {
    [schoolRow(schemeDispute)]: scheme.school.id,
    ...Object.fromEntries(changes.map(({ row, to }) => [row, to])),
  })
}

/** What stands beside a key that starts autofocus where the half-press does. */
const spare = 'Kept spare: the half-press focuses.'

function firstOf(model: BodyModel, wanted: readonly string[], side: Side): ModelFunction | undefined {
  return wanted
    .flatMap((means) => model.functions.filter((fn) => fn.means === means && fn.sides.includes(side)))
    .at(0)
}

/** The row of a hold set that hands focus to the ring; null for other functions. */
function holdRowOf(model: BodyModel, { holdSet }: ModelFunction): RowId | null {
  const mode = lookup(model).byMeaning.get('focus.mode')
  return holdSet === undefined || !mode ? null : holdRow(holdSet, mode.id)
}

/** The key a function has, or the one it had best get; undefined where none takes it. */
function keyFor(
  model: BodyModel,
  plan: Plan,
  side: Side,
  fn: ModelFunction,
  taken: ReadonlySet<string>,
): Address | undefined {
  const able = [...lookup(model).addresses.values()].filter(
    (address) =>
      address.side === side &&
      address.when === null &&
      address.control.kind === 'key' &&
      address.control.presence === undefined &&
      !taken.has(address.key) &&
      acceptedFunctions(model, address).includes(fn),
  )
  const has = able.find((address) => functionAt(plan, address) === fn.id)
  return has ?? able.sort((one, two) => worth(model, plan, one) - worth(model, plan, two))[0]
}

/** How badly a key is suited, in places down a list: far from the thumb, not found blindly, doing something else already. */
function worth(model: BodyModel, plan: Plan, address: Address): number {
  const reach = address.control.reach.finder
  if (!reach) return 100
  const fn = lookup(model).functions.get(functionAt(plan, address) ?? '')
  const busy = fn && fn.manner !== 'none' && focusRole(fn.means) !== 'starts' ? 3 : 0
  return reach.grade * 2 + (reach.digit === 'thumb' ? 0 : 3) + (reach.findable ? 0 : 4) + busy
}

function startersOn(model: BodyModel, plan: Plan, side: Side): Address[] {
  const { functions, addresses } = lookup(model)
  return [...addresses.values()].filter(
    (address) =>
      address.side === side &&
      focusRole(functions.get(functionAt(plan, address) ?? '')?.means ?? null) === 'starts',
  )
}
