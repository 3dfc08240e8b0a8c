import { baseRow, defaultWhereabouts } from '../plan/cells'
import {
  type RowId,
  baseCellOf,
  idsOf,
  isKeyRow,
  isPositionRow,
  isSlotRow,
  keyRow,
  parseRow,
  rowValue,
} from '../plan/rows'
import { schoolFor } from '../plan/schools'
import { keyName } from '../model/controls'
import { valueMeaning } from '../resolve/meaning'
import { lookup } from '../model/lookup'
import { memoize } from '../memoize'
import type { BodyModel, Side } from '../model/types'
import { schemeDispute, schemes, schemeWork } from '../focus/schemes'
import { halfPressSetting, heldAnswers } from '../resolve/held'
import type { Resolution, ResolvedSetting } from '../resolve/resolved'
import { focusRole } from '../vocabulary/focus-roles'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { decidedBy, keysIn, plannedKeysIn, rowOf, settingMeaning, standsAt } from './meaning'

/** What starts autofocus, and whether base and override fit. */
export const focusChecks: readonly Check[] = [
  {
    id: 'thumb-focus-half-set',
    title: 'A thumb key focuses, and the half-press still does',
    severity: 'problem',
    cost: 900,
    station: 'focus',
    needs: ['J18', 'J19'],
    school: { dispute: schemeDispute, only: ['thumb', 'areas', 'tap'] },
    reasonSilences: false,
    run: (input) => input.states.flatMap((one) => halfSet(input, one)),
  },
  {
    id: 'scheme-half-done',
    title: 'A way to start autofocus that is set up in part',
    severity: 'problem',
    cost: 900,
    station: 'focus',
    needs: ['J18', 'J19'],
    reasonSilences: true,
    run: halfDone,
  },
  {
    id: 'nothing-focuses',
    title: 'Nothing starts autofocus',
    severity: 'blocks',
    station: 'focus',
    needs: ['J18'],
    reasonSilences: false,
    run: (input) => input.states.flatMap((one) => nothingFocuses(input, one)),
  },
  {
    id: 'area-only-alone',
    title: 'An area key that focuses only with a second key',
    severity: 'tidies',
    cost: 600,
    station: 'focus',
    needs: ['J19'],
    reasonSilences: false,
    run: (input) => input.states.flatMap((one) => areaOnlyAlone(input, one)),
  },
  {
    id: 'area-not-offered',
    title: 'A key calls a focus area that is not on offer',
    severity: 'blocks',
    station: 'focus',
    needs: ['J20'],
    reasonSilences: false,
    run: areaNotOffered,
  },
  {
    id: 'area-left-out',
    title: 'The focus area set is not among those on offer',
    severity: 'problem',
    station: 'focus',
    needs: ['J20'],
    reasonSilences: true,
    run: (input) => input.states.flatMap((one) => areaLeftOut(input, one)),
  },
  {
    id: 'held-adds-nothing',
    title: 'A held key that brings what is there already',
    severity: 'problem',
    station: 'focus',
    needs: ['J19'],
    reasonSilences: false,
    run: (input) => input.states.flatMap((one) => heldAddsNothing(input, one)),
  },
  {
    id: 'pair-unknown',
    title: 'Two focus keys nobody can say of which is obeyed',
    severity: 'tidies',
    station: 'focus',
    needs: ['J26'],
    reasonSilences: false,
    run: pairUnknown,
  },
]

function halfSet(input: CheckInput, one: ResolvedContext): CheckResult[] {
  const key = plannedKeysIn(input.model, one.resolution).find(
    ({ fn, resolved }) => focusRole(fn.means) === 'starts' && resolved.verdict !== 'dead',
  )
  const half = halfPressIn(input, one.resolution)
  if (!key || !half || half.truth === 'no') return []
  const row = rowOf(input.model, input.plan, input.side, half.resolved)
  const said = schoolFor(input.plan, schemeDispute, input.side) !== null
  if (said && !isSlotRow(row) && !isPositionRow(row)) return []
  const { label } = half.resolved.setting
  return [
    {
      title: `${keyName(key)} focuses, and so does the half-press`,
      reason: `${key.fn.name} is on ${keyName(key)}, but ${label} is on: every half-press focuses again, wherever you have framed by then.`,
      row,
      asks: half.truth === 'unknown',
      mends: [quickFix(input.plan, `Switch ${label} off`, 'thumb-focus-half-set', { [row]: false })],
      seenIn: one,
    },
  ]
}

/** Whether a row says what a key of a side does, or what a setting is on it. */
function isOfSide(model: BodyModel, id: RowId, side: Side): boolean {
  if (!isKeyRow(id) && baseCellOf(id) === null) return false
  const row = parseRow(model, id)
  if (!row.ok) return false
  return row.value.kind === 'key'
    ? row.value.address.side === side
    : row.value.kind === 'base' && row.value.cell === side
}

/** What is left to do of the scheme the owner has chosen, on a side that the plan says anything of. */
function halfDone({ model, plan, side, first }: CheckInput): CheckResult[] {
  const scheme = schemes.find((one) => one.school.id === schoolFor(plan, schemeDispute, side))
  const begun = idsOf(plan.rows).some((row) => isOfSide(model, row, side))
  if (!scheme || (!first && !begun)) return []
  const { changes } = schemeWork(model, plan, side, scheme)
  const [one] = changes
  if (!one) return []
  const rows = Object.fromEntries(changes.map(({ row, to }) => [row, to]))
  return [
    {
      title: `${scheme.school.name}: ${changes.length} of its rows in ${side} ${changes.length === 1 ? 'is' : 'are'} not so`,
      reason: `${changes.map(({ what, from, becomes }) => `${what} is ${from}, not ${becomes}`).join('; ')}.`,
      row: one.row,
      mends: [
        quickFix(
          plan,
          changes.length === 1 ? `Set ${one.what}` : `Set all ${changes.length}`,
          'scheme-half-done',
          rows,
        ),
      ],
    },
  ]
}

function nothingFocuses(input: CheckInput, one: ResolvedContext): CheckResult[] {
  const half = halfPressIn(input, one.resolution)
  const mode = valueMeaning(input.model, one.resolution, 'focus.mode')
  const { functions } = lookup(input.model)
  const key = [...one.resolution.addresses.values()].some(
    ({ effectiveFunctionId: gets, verdict }) =>
      verdict !== 'dead' && focusRole(functions.get(gets ?? '')?.means ?? null) === 'starts',
  )
  if (!half || half.truth === 'yes' || key || !mode || standsAt(mode, 'manual') === 'yes') return []
  if (runsByItself(input, one)) return []
  const row = decidedBy(half.resolved)
  if (row === null) return []
  const { label } = half.resolved.setting
  return [
    {
      title: 'Nothing starts autofocus',
      reason: `${label} is off, and no key of this side starts autofocus; ${mode.setting.label} is not manual focus.`,
      row,
      severity: half.truth === 'unknown' ? 'problem' : 'blocks',
      asks: half.truth === 'unknown',
      mends: [quickFix(input.plan, `Switch ${label} on`, 'nothing-focuses', { [row]: true })],
      seenIn: one,
    },
  ]
}

/** Whether autofocus follows while filming without anything held. */
function runsByItself({ model, side }: CheckInput, { resolution }: ResolvedContext): boolean {
  const runs = side === 'motion' ? valueMeaning(model, resolution, 'focus.motionMode') : undefined
  return runs !== undefined && standsAt(runs, 'runs') === 'yes'
}

function areaOnlyAlone(input: CheckInput, one: ResolvedContext): CheckResult[] {
  const half = halfPressIn(input, one.resolution)
  if (!half || half.truth === 'yes' || runsByItself(input, one)) return []
  const decided = decidedBy(half.resolved) !== null
  const keys = (decided ? keysIn : plannedKeysIn)(input.model, one.resolution)
  const starter = keys.find(({ fn }) => focusRole(fn.means) === 'starts')
  return keys
    .filter(({ fn }) => fn.means === 'focus.areaOnly')
    .map((key) => ({
      title: `${keyName(key)}: ${key.fn.name} does not start AF by itself`,
      reason: `It changes the AF area only, and ${half.resolved.setting.label} is off: ${starter ? `hold ${keyName(starter)} with it, or put a function that starts AF with an area on one key` : 'no key starts AF with it'}.`,
      row: keyRow(key.address),
      asks: half.truth === 'unknown',
      seenIn: one,
    }))
}

function areaNotOffered(input: CheckInput): CheckResult[] {
  const { model, plan, side, states: situated } = input
  const [area, limit] = [settingMeaning(model, 'focus.area'), settingMeaning(model, 'focus.areaLimit')]
  const [one] = situated
  if (!area || limit?.domain.kind !== 'subset' || !one) return []
  const row = baseRow(plan.rows, limit, defaultWhereabouts(model, side))
  const offered = rowValue(plan.rows, row) ?? limit.factory
  if (!Array.isArray(offered)) return []
  const known = limit.domain.values
  return keysIn(model, one.resolution).flatMap(({ address, fn }): CheckResult[] => {
    const called = known.find((choice) => choice.id === fn.overrides?.[area.id])
    if (!called || offered.includes(called.id)) return []
    const all = known.map((choice) => choice.id).filter((id) => id === called.id || offered.includes(id))
    return [
      {
        title: `${keyName({ address })}: ${fn.name} needs an AF area that is not selectable`,
        reason: `${limit.label} leaves out ${called.name}, which ${fn.name} needs.`,
        row: keyRow(address),
        mends: [quickFix(plan, `Offer ${called.name} too`, 'area-not-offered', { [row]: all })],
      },
    ]
  })
}

/** An area of base or bank that the list of areas leaves out: who leaves it does not find it again. */
function areaLeftOut({ model, plan, side }: CheckInput, one: ResolvedContext): CheckResult[] {
  const [area, limit] = ['focus.area', 'focus.areaLimit'].map((means) =>
    valueMeaning(model, one.resolution, means),
  )
  if (!area || limit?.setting.domain.kind !== 'subset' || !Array.isArray(limit.value)) return []
  const offered: readonly string[] = limit.value
  const choice = limit.setting.domain.values.find(({ id }) => id === area.value)
  if (!choice || offered.includes(choice.id) || area.possible.length > 1) return []
  const all = limit.setting.domain.values
    .map(({ id }) => id)
    .filter((id) => id === choice.id || offered.includes(id))
  return [
    {
      title: `${area.setting.label}: ${choice.name} is not among the selectable AF areas`,
      reason: `${limit.setting.label} leaves out ${choice.name}: once you leave it, no key and no list brings it back.`,
      row: rowOf(model, plan, side, area),
      mends: [
        quickFix(plan, `Offer ${choice.name} too`, 'area-left-out', {
          [rowOf(model, plan, side, limit)]: all,
        }),
      ],
      seenIn: one,
    },
  ]
}

function heldAddsNothing({ model }: CheckInput, one: ResolvedContext): CheckResult[] {
  return plannedKeysIn(model, one.resolution).flatMap(({ address, fn, resolved }): CheckResult[] => {
    const brought = Object.entries(fn.overrides ?? {}).flatMap(([id, value]) => {
      const now = one.resolution.settings.get(id)
      return now ? [{ now, truth: standsAt(now, value) }] : []
    })
    const differs = brought.some(({ truth }) => truth === 'no')
    if (brought.length === 0 || differs || resolved.verdict === 'dead') return []
    const labels = brought.map(({ now }) => now.setting.label).join(' and ')
    const starts = focusRole(fn.means) === 'starts'
    return [
      {
        title: `${keyName({ address })}: ${fn.name} ${starts ? 'changes nothing else' : 'changes nothing'}`,
        reason: `${starts ? 'It starts AF, but' : 'While held it'} sets ${labels} to what is in force already. Set base to something else for the key to make a difference.`,
        row: keyRow(address),
        severity: 'tidies',
        ...(starts ? {} : { everywhere: 'problem' as const }),
        asks: brought.some(({ truth }) => truth === 'unknown'),
        seenIn: one,
      },
    ]
  })
}

function pairUnknown({ model, states: situated }: CheckInput): CheckResult[] {
  const [one] = situated
  const answers = heldAnswers(model)
  if (!one || answers.length < 2) return []
  const starters = plannedKeysIn(model, one.resolution).filter(({ fn }) => focusRole(fn.means) === 'starts')
  const [first, second] = starters
  if (!first || !second) return []
  const test = lookup(model).doubts.get('focus/heldWins')?.test ?? ''
  return [
    {
      title: `${keyName(first)} and ${keyName(second)} held together: it is not known which one counts`,
      reason: `Either the ${answers.join(' or the ')}. ${test}`,
      row: keyRow(first.address),
      asks: true,
    },
  ]
}

/** Whether the half-press focuses on this side: by its own item while filming, where the body has one. */
function halfPressIn(
  { model, side }: CheckInput,
  resolution: Resolution,
): { resolved: ResolvedSetting; truth: 'yes' | 'no' | 'unknown' } | null {
  const resolved = resolution.settings.get(halfPressSetting(model, side) ?? '')
  if (!resolved) return null
  return { resolved, truth: metersFor(model)(resolution) ? standsAt(resolved, true) : 'no' }
}

/** Whether the half-press has its usual function; remembered with the state. */
const metersFor = memoize((model: BodyModel) =>
  memoize((resolution: Resolution) =>
    [...resolution.addresses.values()].some(
      ({ effectiveFunctionId: gets }) =>
        focusRole(lookup(model).functions.get(gets ?? '')?.means ?? null) === 'half-press',
    ),
  ),
)
