import { showValue, valuesOf } from '../model/domain'
import type { MovieFormat } from '../model/gear-types'
import type { BodyModel } from '../model/types'
import { burstIn } from '../banks/burst'
import { workOf } from '../resolve/resolve'
import { valueMeaning } from '../resolve/meaning'
import type { ResolvedSetting } from '../resolve/resolved'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { decidedBy, rowOf } from './meaning'

/** What the model's own tables of formats and rates say. */
export const cardChecks: readonly Check[] = [
  {
    id: 'film-format',
    title: 'A film size that does not have the frame rate',
    number: 'film-card',
    severity: 'blocks',
    needs: ['§7', '§8'],
    reasonSilences: false,
    run: (input) => (input.side === 'motion' ? input.states.flatMap((one) => filmFormat(input, one)) : []),
  },
  {
    id: 'burst-rate',
    title: 'A burst rate that shutter and files do not have',
    number: 'burst',
    severity: 'problem',
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'stills' ? input.states.flatMap((one) => burstRate(input, one)) : []),
  },
]

/** Size and rate in force against the formats the body has; what a rule refuses or replaces is told by that rule. */
function filmFormat(input: CheckInput, one: ResolvedContext): CheckResult[] {
  const { model, plan, side } = input
  const [size, rate] = ['movie.size', 'movie.frameRate'].map((means) =>
    valueMeaning(model, one.resolution, means),
  )
  if (!size || !rate || [size, rate].some(isTold) || isSpecial(model, one)) return []
  if ([size, rate].every((each) => decidedBy(each) === null)) return []
  const formats = formatsHere(model, one)
  const named = formats.filter((format) => format.size === size.value)
  if (named.length === 0 || named.some(({ rates }) => rates.includes(String(rate.value)))) return []
  const rates = (valuesOf(rate.setting.domain) ?? []).filter((value) =>
    named.some((format) => format.rates.includes(String(value))),
  )
  const sizes = (valuesOf(size.setting.domain) ?? []).filter((value) =>
    formats.some((format) => format.size === value && format.rates.includes(String(rate.value))),
  )
  const mends = [
    ...rates.slice(-1).map((value) => [rate, value] as const),
    ...sizes.slice(0, 1).map((value) => [size, value] as const),
  ].map(([setting, value]) =>
    quickFix(plan, `${setting.setting.label}: ${showValue(setting.setting.domain, value)}`, 'film-format', {
      [rowOf(model, plan, side, setting)]: value,
    }),
  )
  const words = showValue(size.setting.domain, size.value)
  return [
    {
      title: `${words} has no ${String(rate.value)}`,
      reason: `The body films ${words} at ${rates.map(String).join(', ') || 'no rate'} here${sizes.length > 0 ? `, and ${String(rate.value)} at ${sizes.map((value) => showValue(size.setting.domain, value)).join(', ')}` : ''}.`,
      row: decidedBy(rate) ?? rowOf(model, plan, side, size),
      mends,
      seenIn: one,
    },
  ]
}

/** Whether a rule says something of a value already. */
function isTold({ chain, remarks }: ResolvedSetting): boolean {
  return chain.at(-1)?.layer === 'rule' || remarks.some(({ kind }) => kind === 'unavailable')
}

/** A position that films at a rate of its own. */
function isSpecial(model: BodyModel, { context, resolution }: ResolvedContext): boolean {
  const id = workOf(resolution)?.context.position ?? context.position
  return model.positions.some((one) => one.id === id && one.kind === 'special')
}

/** The formats of the region in force; all of them where nobody says which. */
export function formatsHere(model: BodyModel, { resolution }: ResolvedContext): readonly MovieFormat[] {
  const hz = { r50: 50, r60: 60 }[String(valueMeaning(model, resolution, 'movie.region')?.value)]
  return model.cards.movieFormats.filter(
    ({ regionHz }) => regionHz === undefined || hz === undefined || regionHz === hz,
  )
}

function burstRate({ model, plan, side }: CheckInput, one: ResolvedContext): CheckResult[] {
  const burst = burstIn(model, one.resolution)
  if (!burst || burst.most === null || burst.asked <= burst.most || decidedBy(burst.rate) === null) return []
  const row = rowOf(model, plan, side, burst.rate)
  return [
    {
      title: `${burst.asked} frames a second are not possible here`,
      reason: `With ${burst.shutter} and ${burst.files} the camera reaches ${burst.most} a second at most.`,
      row,
      mends: [quickFix(plan, `Set ${burst.most}`, 'burst-rate', { [row]: burst.most })],
      seenIn: one,
    },
  ]
}
