import type { Address } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { keyRow } from '../plan/rows'
import { rowValue } from '../plan/step'
import { sameValue } from '../vocabulary/values'
import type { Context } from './context'
import type { Remark, Resolution, ResolvedAddress, ResolvedSetting, Standing, Verdict } from './resolved'
import { asked, effectiveState, inForce, remark, type State } from './state'

/**
 * Resolves a plan in a context: factory → base → bank slot → edits on the body → hold sets in force → rules that
 * change values, then what rules say of the values, of every function on the context's side, and of the camera's
 * signs. Deterministic; linear in settings, addresses and rules.
 */
export function resolve(model: BodyModel, plan: Plan, context: Context): Resolution {
  const state = effectiveState(model, plan, context)
  const settings = new Map(
    model.settings.map((setting) => [setting.id, resolvedSetting(state, context, setting)]),
  )
  const addresses = new Map<string, ResolvedAddress>()
  for (const address of state.found.addresses.values()) {
    if (address.side === context.side)
      addresses.set(address.key, resolveAddress(state, plan, address, context))
  }
  const indicators = asked(state, 'indicator').flatMap(({ rule, truth }) =>
    rule.then.kind === 'indicator'
      ? [
          {
            indicator: rule.then.indicator,
            says: rule.then.says,
            truth,
            rule: rule.id,
            because: rule.because,
          },
        ]
      : [],
  )
  return { settings, addresses, indicators }
}

/** What each function would do in a context if a key had it, by function id. */
export function judgeFunctions(
  model: BodyModel,
  plan: Plan,
  functionIds: readonly string[],
  context: Context,
): ReadonlyMap<string, Standing> {
  const state = effectiveState(model, plan, context)
  return new Map(functionIds.map((id) => [id, judge(state, id, context)]))
}

function resolvedSetting(state: State, context: Context, setting: Setting): ResolvedSetting {
  const chain = state.chains.get(setting.id) ?? []
  const possible = state.possible.get(setting.id) ?? [inForce(chain)]
  const said = asked(state, `setting/${setting.id}`).flatMap(({ rule, truth }): Remark[] => {
    const { then } = rule
    if (then.kind === 'ineffective') return [remark('ineffective', rule, truth)]
    if ((then.kind !== 'unavailable' && then.kind !== 'hazard') || !('values' in then)) return []
    const hit = possible.filter((value) => then.values.some((one) => sameValue(one, value))).length
    if (hit === 0) return []
    return [remark(then.kind, rule, hit === possible.length ? truth : 'unknown')]
  })
  const remarks = [...(state.doubts.get(setting.id) ?? []), ...said, ...frozenBy(state, context, setting.id)]
  return { setting, value: inForce(chain), possible, chain, remarks }
}

function frozenBy(state: State, context: Context, setting: string): Remark[] {
  return (context.held ?? []).flatMap((held) =>
    asked(state, `function/${held}`).flatMap(({ rule, truth }) =>
      rule.then.kind === 'freezes' && rule.then.settings.includes(setting)
        ? [remark('frozen', rule, truth)]
        : [],
    ),
  )
}

function resolveAddress(state: State, plan: Plan, address: Address, context: Context): ResolvedAddress {
  const planned = rowValue(plan.rows, keyRow(address)) as string | null
  const functionId = planned ?? address.gesture.factory[address.side] ?? null
  const source = planned === null ? 'factory' : 'plan'
  if (functionId === null) return { address, functionId, gets: null, source, verdict: 'empty', remarks: [] }
  return { address, functionId, source, ...judge(state, functionId, context, address.control.id) }
}

function judge(state: State, functionId: string, context: Context, control: string | null = null): Standing {
  const becomes = asked(state, `function/${functionId}`).filter(({ rule }) => rule.then.kind === 'becomes')
  const sure = becomes.find(({ truth }) => truth === 'yes')?.rule.then
  const gets = sure?.kind === 'becomes' && 'function' in sure ? sure.to : functionId
  const fn = state.found.functions.get(gets)
  const remarks = becomes.map(({ rule, truth }) => remark('replaced', rule, truth))
  if (!fn || fn.manner === 'none') return { gets, verdict: 'empty', remarks }
  const about = [
    ...asked(state, `function/${gets}`),
    ...(control === null ? [] : asked(state, `control/${control}`)),
  ]
  for (const { rule, truth } of about) {
    const { kind } = rule.then
    if (kind === 'unavailable' || kind === 'ineffective' || kind === 'hazard')
      remarks.push(remark(kind, rule, truth))
  }
  const recording = recordingRemark(fn.name, fn.whileRecording, context)
  if (recording) remarks.push(recording)
  return { gets, verdict: verdictOf(remarks), remarks }
}

function verdictOf(remarks: readonly Remark[]): Verdict {
  const sure = (kind: Remark['kind']) => remarks.some((one) => one.kind === kind && one.truth === 'yes')
  if (sure('unavailable')) return 'dead'
  if (sure('ineffective')) return 'inert'
  return remarks.some((one) => one.kind !== 'hazard' && one.truth === 'unknown') ? 'test' : 'works'
}

function recordingRemark(name: string, works: 'yes' | 'no' | 'unknown', context: Context): Remark | null {
  if (context.run !== 'recording' || works === 'yes') return null
  const because =
    works === 'no'
      ? `${name} does not answer while recording.`
      : `Whether ${name} answers while recording is not known.`
  return { kind: 'unavailable', truth: works === 'no' ? 'yes' : 'unknown', rule: 'while-recording', because }
}
