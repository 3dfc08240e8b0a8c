import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import { keyRow, rowValue, schoolRow } from '../plan/rows'
import { acceptedFunctions, keyName } from '../model/controls'
import { checkValue, showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { Domain, Setting } from '../model/types'
import { disputes, type School, type Want } from '../vocabulary/schools'
import { sameValue, type Value } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'
import { keysIn, settingMeaning } from './meaning'

/** What the chosen schools ask of base and keys. */
export const schoolChecks: readonly Check[] = [
  {
    id: 'against-school',
    title: 'Something that is not what your school does',
    severity: 'tidies',
    needs: ['J7', '§10'],
    reasonSilences: true,
    run: (input) =>
      disputes.flatMap(({ id, schools }) => {
        const chosen = schools.find((one) => one.id === rowValue(input.plan.rows, schoolRow(id)))
        return chosen ? chosen.wants.flatMap((want) => against(input, chosen, want)) : []
      }),
  },
]

function against(input: CheckInput, school: School, want: Want): CheckResult[] {
  if ('function' in want) return againstKey(input, school, want)
  const { model, plan, side, first } = input
  const setting = settingMeaning(model, want.means)
  if (!setting || setting.place === 'physical' || (setting.place !== 'side' && !first)) return []
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const now = baseValue(model, plan.rows, setting, side)
  const there = !('is' in want) || checkValue(setting.domain, want.is, row).ok
  if ('is' in want ? sameValue(now, want.is) : inHalf(setting.domain, now, want.half)) return []
  const value = 'is' in want ? want.is : middleOfHalf(setting.domain, want.half)
  const words =
    'is' in want && there
      ? showValue(setting.domain, want.is)
      : there && 'half' in want
        ? `${want.half === 'lower' ? 'less' : 'more'} than half of its range`
        : 'nothing like it'
  return [
    {
      title: `${setting.label} is ${showValue(setting.domain, now)}; your school says ${school.name.toLowerCase()}`,
      reason: there
        ? `${school.reason} That is ${words} here.`
        : `${school.reason} This body has no such value of ${setting.label}.`,
      row,
      mends:
        there && value !== null
          ? [quickFix(plan, `Set ${showValue(setting.domain, value)}`, 'against-school', { [row]: value })]
          : [],
    },
  ]
}

/** A function that is to be on a key and is on none, or the other way about. */
function againstKey(
  { model, plan, states: situated }: CheckInput,
  school: School,
  { function: means, onKey }: Extract<Want, { function: string }>,
): CheckResult[] {
  const [one] = situated
  const fn = model.functions.find((each) => each.means === means)
  if (!one || !fn) return []
  const holders = keysIn(model, one.resolution).filter((key) => key.fn.means === means)
  if (onKey) {
    const empty = [...one.resolution.addresses.values()].find(({ address, verdict }) => {
      const accepts = acceptedFunctions(model, address).includes(fn)
      return verdict === 'empty' && address.control.presence === undefined && accepts
    })
    const place = empty ?? [...one.resolution.addresses.values()][0]
    if (holders.length > 0 || !place) return []
    return [
      {
        title: `${fn.name} is on no key; your school says ${school.name.toLowerCase()}`,
        reason: school.reason,
        row: keyRow(place.address),
        mends: empty
          ? [
              quickFix(plan, `Put it on ${keyName(empty)}`, 'against-school', {
                [keyRow(empty.address)]: fn.id,
              }),
            ]
          : [],
      },
    ]
  }
  return holders.map((key) => ({
    title: `${keyName(key)} has ${fn.name}; your school says ${school.name.toLowerCase()}`,
    reason: school.reason,
    row: keyRow(key.address),
    mends: lookup(model).functions.has('nothing')
      ? [quickFix(plan, `Empty ${keyName(key)}`, 'against-school', { [keyRow(key.address)]: 'nothing' })]
      : [],
  }))
}

/** Whether a counted value lies in a half of its range; the middle belongs to neither, but all members of a list to the upper. */
function inHalf(domain: Domain, value: Value, half: 'lower' | 'upper'): boolean {
  const counted = countIn(domain, value)
  if (counted === null) return true
  return half === 'lower' ? counted < 0.5 : counted > 0.5
}

/** How far a value is on its way from the least to the most, 0..1; null where it is not counted. */
function countIn(domain: Domain, value: Value): number | null {
  if (domain.kind === 'number' && typeof value === 'number')
    return (value - domain.from) / (domain.to - domain.from)
  if (domain.kind !== 'subset' || !Array.isArray(value)) return null
  return domain.values.length > 1 ? (value.length - 1) / (domain.values.length - 1) : null
}

/** A value in the middle of a half; for a list all its members, and none where some would have to go. */
function middleOfHalf(domain: Setting['domain'], half: 'lower' | 'upper'): Value | null {
  if (domain.kind === 'subset') return half === 'upper' ? domain.values.map((one) => one.id) : null
  if (domain.kind !== 'number') return null
  const { from, to, step } = domain
  const quarter = from + (to - from) * (half === 'lower' ? 0.25 : 0.75)
  const steps = (quarter - from) / step
  return from + step * (half === 'lower' ? Math.floor(steps) : Math.ceil(steps))
}
