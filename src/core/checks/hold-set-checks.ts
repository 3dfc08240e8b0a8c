import { type RowId, holdNameRow, holdRow, idsOf, isHoldRow, keyRow } from '../plan/rows'
import { keyName } from '../model/controls'
import { lookup } from '../model/lookup'
import type { HoldSet } from '../model/types'
import { countStops, showStops } from '../numbers/motion'
import { addressesWith } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { lightBetween, marksInWords } from '../resolve/marks'
import { resolve } from '../resolve/resolve'
import type { Check, CheckInput, CheckResult } from './finding'
import { keysIn, rowOf } from './meaning'

/** What is wrong with hold sets: two acts, register and assign, of which one is forgotten. */
export const holdChecks: readonly Check[] = [
  {
    id: 'hold-unassigned',
    title: 'A hold set that no key calls',
    severity: 'problem',
    many: 'hold sets are on no key',
    once: true,
    needs: ['J28', 'J44'],
    reasonSilences: false,
    run: ({ model, plan }) =>
      model.holdSets.flatMap((set): CheckResult[] => {
        const [row] = ticked(plan, set)
        const calls = model.functions.filter((fn) => fn.holdSet === set.id)
        const assigned = calls.some((fn) =>
          model.sides.some((side) => addressesWith(model, plan, side, fn.id).length > 0),
        )
        if (row === undefined || assigned) return []
        return [
          {
            title: `No key uses ${set.name}`,
            reason: `Its values are set, but no key uses it: put ${calls.map((fn) => fn.name).join(' or ')} on a key.`,
            row,
          },
        ]
      }),
  },
  {
    id: 'hold-empty',
    title: 'A key calls a hold set with nothing in it',
    severity: 'problem',
    many: 'hold sets are empty',
    needs: ['J28'],
    reasonSilences: false,
    run: (input) =>
      callers(input)
        .filter(({ set }) => ticked(input.plan, set).length === 0)
        .map(({ key, set }) => ({
          ...(key.resolved.source === 'factory' ? { severity: 'tidies' as const } : {}),
          title: `${keyName(key)} uses ${set.name}, which is empty`,
          reason: 'Tick the settings it is to change, or free the key.',
          row: keyRow(key.address),
        })),
  },
  {
    id: 'hold-not-taken',
    title: 'A row of a hold set that the body does not take',
    severity: 'problem',
    needs: ['J28', 'J33'],
    reasonSilences: false,
    run: (input) => heldStates(input).flatMap((one) => notTaken(input, one)),
  },
  {
    id: 'hold-jump',
    title: 'The exposure jumps when a hold set is pressed',
    severity: 'tidies',
    needs: ['J35'],
    reasonSilences: true,
    run: (input) =>
      heldStates(input).flatMap(({ key, set, before, held }): CheckResult[] => {
        const jump = lightBetween(input.model, before, held)
        if (!jump?.fromByHand || !jump.toByHand || Math.abs(jump.stops) < 1) return []
        const { from, to } = jump
        return [
          {
            title: `${set.name} is ${countStops(jump.stops)} ${jump.stops > 0 ? 'brighter' : 'darker'}`,
            reason: `${marksInWords(from)} → ${marksInWords(to)}: ${showStops(jump.stops)} the moment ${keyName(key)} goes down.`,
            row: keyRow(key.address),
          },
        ]
      }),
  },
]

function ticked(plan: Plan, set: HoldSet): RowId[] {
  return idsOf(plan.rows)
    .filter((row) => isHoldRow(row, set.id) && row !== holdNameRow(set.id))
    .sort()
}

/** Keys that call a hold set on this side, with the set. */
function callers({ model, states: situated }: CheckInput) {
  const [one] = situated
  return (one ? keysIn(model, one.resolution) : []).flatMap((key) => {
    const set = model.holdSets.find((each) => each.id === key.fn.holdSet)
    return set ? [{ key, set }] : []
  })
}

/** Each call with the state before it and while it is held, in the plain position. */
function heldStates(input: CheckInput) {
  const [one] = input.states
  if (!one) return []
  return callers(input)
    .filter(({ set }) => ticked(input.plan, set).length > 0)
    .map(({ key, set }) => ({
      key,
      set,
      before: one.resolution,
      held: resolve(input.model, input.plan, { ...one.context, held: [key.fn.id] }),
    }))
}

function notTaken(
  { model, plan, side }: CheckInput,
  { set, held }: ReturnType<typeof heldStates>[number],
): CheckResult[] {
  return [...held.settings.values()].flatMap((resolved): CheckResult[] => {
    const row = holdRow(set.id, resolved.setting.id)
    if (!Object.hasOwn(plan.rows, row)) return []
    const skipped = resolved.remarks.find((remark) => remark.kind === 'skipped')
    const last = resolved.chain.at(-1)
    const overruled = last?.layer === 'rule' ? last : undefined
    if (!skipped && !overruled) return []
    const menu = lookup(model).menuAddress.get(resolved.setting.id) ?? rowOf(model, plan, side, resolved)
    return [
      {
        title: `${set.name} does not change ${resolved.setting.label}`,
        reason: `${skipped?.because ?? overruled?.because ?? ''} The camera skips this one and applies the others. (${menu})`,
        row,
        ...((skipped?.rule ?? overruled?.from) ? { rule: skipped?.rule ?? overruled?.from ?? '' } : {}),
      },
    ]
  })
}
