import { memoize } from '../memoize'
import { baseRow, baseValue, defaultWhereabouts } from '../plan/cells'
import type { Plan } from '../plan/plan'
import { bankRow, idsOf, keyRow, questionApart, rowValue, schoolRow } from '../plan/rows'
import { schoolFor } from '../plan/schools'
import { acceptedFunctions, canBeEmpty, keyName } from '../model/controls'
import { checkValue, showValue, valuesOf } from '../model/domain'
import type { BodyModel, Domain, Setting } from '../model/types'
import { situationName, situationSide, situationsOf } from '../plan/situations'
import { noBank, slotOf } from '../resolve/context'
import { disputes, type School, type Want } from '../vocabulary/schools'
import { sameValue, type Value } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { keysIn, rowOf, settingMeaning } from './meaning'

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
        const said = schoolFor(input.plan, id, input.side)
        const chosen = schools.find((one) => one.id === said)
        const apart = isAnsweredApart(input.plan).has(id)
        return [
          ...(chosen ? chosen.wants.flatMap((want) => against(input, chosen, want)) : []),
          ...(apart ? input.states.flatMap((one) => inBank(input, one, id, schools)) : []),
          ...(apart ? situationsOf(input.plan) : []).flatMap((one) => inSituation(input, one, id, schools)),
        ]
      }),
  },
]

/** The questions that some bank or situation has an answer of its own to. */
const isAnsweredApart = memoize(
  ({ rows }: Plan): ReadonlySet<string> => new Set(idsOf(rows).flatMap((row) => questionApart(row) ?? [])),
)

/** What a bank that has an answer of its own does not do as that answer has it. */
function inBank(
  input: CheckInput,
  one: ResolvedContext,
  question: string,
  schools: readonly School[],
): CheckResult[] {
  const { model, plan, side } = input
  const inForce = slotOf(one.context)
  if (!inForce) return []
  const { family, slot } = inForce
  const own = rowValue(plan.rows, schoolRow(question, inForce))
  const school = schools.find(({ id }) => id === own)
  if (!school) return []
  const missing = school.wants.filter((want) => !isDone(model, one, want))
  return missing.flatMap((want): CheckResult[] => {
    const says = `for this bank you chose ${school.name.toLowerCase()}`
    if ('function' in want)
      return [
        {
          title: `${one.bank}: ${wantName(model, want)} is on ${want.onKey ? 'no' : 'a'} key; ${says}`,
          reason: school.reason,
          row: schoolRow(question, inForce),
          seenIn: one,
        },
      ]
    const setting = settingMeaning(model, want.means)
    const resolved = setting && one.resolution.settings.get(setting.id)
    if (!setting || !resolved) return []
    const row =
      setting.storedBy === family ? bankRow(family, slot, setting.id) : rowOf(model, plan, side, resolved)
    const value = valueFor(setting, want)
    return [
      {
        title: `${one.bank}: ${setting.label} is ${showValue(setting.domain, resolved.value)}; ${says}`,
        reason: school.reason,
        row,
        mends:
          value !== null && setting.storedBy === family
            ? [quickFix(plan, `Set ${showValue(setting.domain, value)}`, 'against-school', { [row]: value })]
            : [],
        seenIn: one,
      },
    ]
  })
}

/**
 * What a situation that has an answer of its own finds nowhere: it is shot from base or from any bank of its side, so one
 * that does all the answer asks is enough.
 */
function inSituation(
  input: CheckInput,
  situation: string,
  question: string,
  schools: readonly School[],
): CheckResult[] {
  const { model, plan, side, states } = input
  const row = schoolRow(question, { situation })
  const own = rowValue(plan.rows, row)
  const school = schools.find(({ id }) => id === own)
  if (!school || situationSide(model, plan, situation) !== side) return []
  const missing = (one: ResolvedContext) => school.wants.filter((want) => !isDone(model, one, want))
  const plain = states.find(({ bank }) => bank === noBank)
  if (!plain || states.some((one) => missing(one).length === 0)) return []
  const names = missing(plain).map((want) => wantName(model, want))
  return [
    {
      title: `${situationName(plan, situation)}: you chose ${school.name.toLowerCase()}, but neither base nor a bank is set so`,
      reason: `${school.reason} In base ${names.join(' and ')} ${names.length === 1 ? 'is' : 'are'} set otherwise: change base, or make a bank for this situation.`,
      row,
    },
  ]
}

/** Whether a state does what is wanted; what this body has not cannot be asked of it. */
function isDone(model: BodyModel, { resolution }: ResolvedContext, want: Want): boolean {
  if ('function' in want) {
    if (!model.functions.some(({ means }) => means === want.function)) return true
    return keysIn(model, resolution).some(({ fn }) => fn.means === want.function) === want.onKey
  }
  const setting = settingMeaning(model, want.means)
  const resolved = setting && resolution.settings.get(setting.id)
  return !setting || !resolved || fulfils(setting, resolved.value, want)
}

/** What a want is about, in the words of the camera. */
function wantName(model: BodyModel, want: Want): string {
  if ('means' in want) return settingMeaning(model, want.means)?.label ?? want.means
  return model.functions.find(({ means }) => means === want.function)?.name ?? want.function
}

type WantedValue = Extract<Want, { means: string }>

function fulfils(setting: Setting, now: Value, want: WantedValue): boolean {
  if ('is' in want) return sameValue(now, want.is)
  return 'isNot' in want ? !sameValue(now, want.isNot) : inHalf(setting.domain, now, want.half)
}

/** A value that does what is wanted; null where this body has none, or there is no telling which. */
function valueFor(setting: Setting, want: WantedValue): Value | null {
  const has = (value: Value) => checkValue(setting.domain, value, setting.id).ok
  if ('is' in want) return has(want.is) ? want.is : null
  if ('half' in want) return middleOfHalf(setting.domain, want.half)
  const others = (valuesOf(setting.domain) ?? []).filter((value) => !sameValue(value, want.isNot))
  return others.find((value) => sameValue(value, setting.factory)) ?? others[0] ?? null
}

function against(input: CheckInput, school: School, want: Want): CheckResult[] {
  if ('function' in want) return againstKey(input, school, want)
  const { model, plan, side, first } = input
  const setting = settingMeaning(model, want.means)
  if (!setting || setting.place === 'physical' || (setting.place !== 'side' && !first)) return []
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const now = baseValue(model, plan.rows, setting, side)
  const value = valueFor(setting, want)
  const there = !('is' in want) || value !== null
  if (fulfils(setting, now, want)) return []
  const words =
    'is' in want && there
      ? showValue(setting.domain, want.is)
      : 'isNot' in want
        ? `anything but ${showValue(setting.domain, want.isNot)}`
        : there && 'half' in want
          ? `${want.half === 'lower' ? 'less' : 'more'} than half of its range`
          : 'nothing like it'
  return [
    {
      title: `${setting.label} is ${showValue(setting.domain, now)}; you chose ${school.name.toLowerCase()}`,
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
        title: `${fn.name} is on no key; you chose ${school.name.toLowerCase()}`,
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
    title: `${keyName(key)} has ${fn.name}; you chose ${school.name.toLowerCase()}`,
    reason: school.reason,
    row: keyRow(key.address),
    mends: canBeEmpty(model, key.address)
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
