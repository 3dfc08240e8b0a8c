import type { Address } from '../model/addresses'
import type { FirmwareRange, ModelFunction, RunState } from '../model/types'
import { thereIn } from '../rules/facts'
import { focusRole } from '../vocabulary/focus-roles'
import type { Context } from './context'
import { flipsOf, nextValue } from './flips'
import { isThere, presences } from './presence'
import type { FunctionEffect, Remark, Verdict } from './resolved'
import { foundIn, refusals, refusing, remark, rulesAbout, type State } from './state'

/** What speaks against a key whatever is on it: it is not there with this lens, or without grip or adapter. */
function presenceRemarks({ controls }: Address, context: Context): Remark[] {
  return controls.flatMap((control): Remark[] => {
    if (control.presence === undefined || isThere(control, context)) return []
    const { because } = presences[control.presence]
    return [{ kind: 'unavailable', truth: 'yes', rule: 'presence', because }]
  })
}

/** Why a gesture is not there at all: its control is not, or the firmware knows no such gesture. */
export function missingFrom(address: Address, context: Context): Remark[] {
  return [...presenceRemarks(address, context), ...firmwareRemark(address.gesture, address.name, context)]
}

/** Where something came with one firmware or went with another: it is not there in the others. */
export function firmwareRemark(range: FirmwareRange, name: string, context: Context): Remark[] {
  const there = thereIn(range, context.firmware)
  if (there === 'yes') return []
  const since = range.since === undefined ? '' : ` from firmware ${range.since}`
  const until = range.until === undefined ? '' : ` up to firmware ${range.until}`
  const here =
    context.firmware === undefined
      ? 'which firmware this body has is not known'
      : `this body has ${context.firmware}`
  const because = `${name} is there${since}${until}; ${here}.`
  if (there === 'no') return [{ kind: 'unavailable', truth: 'yes', rule: 'firmware', because }]
  return [{ kind: 'unavailable', truth: 'unknown', rule: 'firmware', because, hangsOn: ['firmware'] }]
}

/** How a function stands in a state; `before` is what speaks against the key it is on. */
export function judge(
  state: State,
  functionId: string,
  context: Context,
  address: Address | null = null,
  before: readonly Remark[] = [],
): FunctionEffect {
  const lent = address === null ? null : lentBy(state, address, context)
  const wanted = lent?.to ?? functionId
  const becomes = rulesAbout(state, `function/${wanted}`).filter(
    ({ rule: { then } }) => then.kind === 'becomes' && 'function' in then && isOn(then.controls, address),
  )
  const sure = becomes.find(({ truth }) => truth === 'yes')?.rule.then
  const gets = sure?.kind === 'becomes' && 'function' in sure ? sure.to : wanted
  const fn = state.found.functions.get(gets)
  const remarks = [
    ...before,
    ...(lent ? [lent.remark] : []),
    ...becomes.map(({ rule, truth }) => remark('replaced', rule, truth, state.facts)),
  ]
  if (!fn || fn.manner === 'none') return { effectiveFunctionId: gets, verdict: 'empty', remarks }
  const onControl = (address?.controls ?? []).flatMap(({ id }) => rulesAbout(state, `control/${id}`))
  const about = [
    ...onControl.filter(({ rule: { then } }) => !('butFor' in then && then.butFor?.includes(gets))),
    ...rulesAbout(state, `function/${gets}`),
  ]
  for (const { rule, truth } of about) {
    const { kind } = rule.then
    if (kind === 'unavailable' || kind === 'ineffective' || kind === 'hazard')
      remarks.push(remark(kind, rule, truth, state.facts))
  }
  if (!remarks.some(({ kind, truth }) => kind === 'ineffective' && truth === 'yes'))
    remarks.push(...idleRemarks(state, fn))
  remarks.push(...notBrought(state, fn))
  remarks.push(...firmwareRemark(fn, fn.name, context), ...runRemark(state, fn, context))
  if (
    fn.means === 'movie.record' &&
    context.side === 'stills' &&
    state.found.filming?.fromStills === 'refused'
  )
    remarks.push(refusedInStills)
  return { effectiveFunctionId: gets, verdict: verdictOf(remarks), remarks }
}

/** The manners in which a function sets what it changes, so that it does nothing where that setting does nothing. */
const settingManners: ReadonlySet<ModelFunction['manner']> = new Set([
  ...(['turn', 'choose', 'held-and-turn', 'toggle', 'cycle', 'swipe'] as const),
])

/** A function that only sets what has no effect here has none either. */
function idleRemarks(state: State, fn: ModelFunction): Remark[] {
  const { manner, changes } = fn
  const [changed] = changes
  if (changed === undefined || changes.length > 1 || !settingManners.has(manner)) return []
  const said = rulesAbout(state, `setting/${changed}`)
    .filter(({ rule }) => rule.then.kind === 'ineffective')
    .map(({ rule, truth }) => remark('ineffective', rule, truth, state.facts))
  const forcing = fn.means === 'controls.modeDial' ? null : fixedBy(state, changed)
  const one = onlyOffered(state, fn) ?? refusedNext(state, fn)
  return [...said, ...(forcing ? [forcing] : []), ...(one ? [one] : [])]
}

/** What a held function would bring and the camera refuses here: it does the rest; nothing, where that is all there is. */
function notBrought(state: State, fn: ModelFunction): Remark[] {
  const brought = Object.entries(fn.overrides ?? {})
  const refused = brought.flatMap(([setting, value]) => refusing(state, setting, value).slice(0, 1))
  const [because] = refused
  if (because === undefined) return []
  const doesNothing = refused.length === brought.length && focusRole(fn.means) === 'none'
  const rule = 'not-brought'
  return [
    {
      kind: doesNothing ? 'ineffective' : 'hazard',
      truth: 'yes',
      rule,
      because: `${because} ${fn.name} does not bring it here.`,
    },
  ]
}

/** Where a rule or the mode dial fixes a value, whatever is set, the same as it or another. */
export function fixedBy(state: State, setting: string): Remark | null {
  const owned = state.chains.get(setting)?.findLast(({ layer }) => layer !== 'rule')
  if (owned?.layer === 'dial')
    return { kind: 'ineffective', truth: 'yes', rule: 'mode-dial', because: owned.because ?? '' }
  const rule = state.rules.fixing.get(setting)?.findLast(({ holds }) => holds(state.facts) === 'yes')
  return rule ? { kind: 'ineffective', truth: 'yes', rule: rule.id, because: rule.because } : null
}

/** Where a cycle has only one value to step to. */
function onlyOffered(state: State, fn: ModelFunction): Remark | null {
  const flips = fn.manner === 'cycle' ? flipsOf(state.found, fn, foundIn(state)) : null
  if (!flips || flips.values.length > 1) return null
  const because = `${fn.name} has only one to step to: the others are not on offer.`
  return { kind: 'ineffective', truth: 'yes', rule: 'only-one', because }
}

/** Where a toggle would go to a value that cannot be chosen here, for certain or perhaps. */
function refusedNext(state: State, fn: ModelFunction): Remark | null {
  const there = foundIn(state)
  const flips = fn.manner === 'toggle' ? flipsOf(state.found, fn, there) : null
  const next = flips && nextValue(flips, there.now(flips.setting))
  if (!flips || next === null) return null
  const against = refusals(state, flips.setting, next)
  const worst = against.find(({ truth }) => truth === 'yes') ?? against[0]
  return worst
    ? { ...remark('ineffective', worst.rule, worst.truth, state.facts), rule: 'refused-next' }
    : null
}

/** On a body whose record key films from the motion side only. */
const refusedInStills: Remark = {
  kind: 'unavailable',
  truth: 'yes',
  rule: 'filming',
  because: 'This body does not film from the stills side.',
}

/** Whether a rule about a function speaks of it on this key: where it names controls, only on those. */
function isOn(controls: readonly string[] | undefined, address: Address | null): boolean {
  return controls === undefined || (address !== null && controls.includes(address.control.id))
}

/** The function that a held key lends to this gesture. */
function lentBy(state: State, address: Address, context: Context): { to: string; remark: Remark } | null {
  const gesture = `${address.control.id}/${address.gesture.id}`
  for (const id of [...(context.held ?? [])].reverse()) {
    const fn = state.found.functions.get(id)
    const to = fn?.whileHeld?.[gesture]
    const because = `${fn?.name ?? id} is held and lends this to it.`
    if (to !== undefined)
      return { to, remark: { kind: 'replaced', truth: 'yes', rule: 'while-held', because } }
  }
  return null
}

function verdictOf(remarks: readonly Remark[]): Verdict {
  const sure = (kind: Remark['kind']) => remarks.some((one) => one.kind === kind && one.truth === 'yes')
  if (sure('unavailable')) return 'dead'
  if (sure('ineffective')) return 'inert'
  return remarks.some((one) => one.kind !== 'hazard' && one.truth === 'unknown') ? 'test' : 'works'
}

const stateWords: Record<RunState, string> = {
  idle: 'while the camera rests',
  standby: 'in standby',
  recording: 'while recording',
  menu: 'while the menu is open',
  playback: 'in playback',
}

function runRemark(state: State, fn: ModelFunction, { run }: Context): Remark[] {
  const doubt = state.found.doubts.get(`functions/${fn.id}/${run}`)
  if (doubt) {
    const because = `Whether ${fn.name} answers ${stateWords[run]} is not known: ${doubt.test}`
    const hangsOn = [`functions/${fn.id}/${run}`]
    return [{ kind: 'unavailable', truth: 'unknown', rule: 'run-state', because, hangsOn }]
  }
  if (!fn.notWhile.includes(run)) return []
  const because = `${fn.name} does not answer ${stateWords[run]}.`
  return [{ kind: 'unavailable', truth: 'yes', rule: 'run-state', because }]
}
