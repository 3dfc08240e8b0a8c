import { baseRow } from '../../plan/cells'
import type { RowId } from '../../plan/rows'
import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { BankFamily, BodyModel, Setting } from '../../model/types'
import { whereaboutsIn } from '../../resolve/context'
import { resolve } from '../../resolve/resolve'
import { ok, refuse, type Result } from '../../result'
import { sameValue, type Value } from '../../vocabulary/values'
import { did, refusedIt, type Lived, type LogLine } from './events'
import { resolveBody, contextOf, heldFunctions, memoryPlan, type LiveState } from './state'
import { effectiveFunctionIdsOf } from './key-presses'

/**
 * A setting changed on the body. It lands with the row's owner: a live bank keeps it, in a snapshot bank it is gone on
 * leaving, else its own place keeps it; on what a held key covers it is lost. A value that cannot be chosen here is not
 * taken.
 */
export function edit(model: BodyModel, state: LiveState, settingId: string, value: Value): Result<Lived> {
  const setting = lookup(model).settings.get(settingId)
  if (!setting) return refuse('unknown-setting', `This model has no setting ${settingId}.`, settingId)
  const fits = checkValue(setting.domain, value, settingId)
  if (!fits.ok) return fits
  if (setting.place === 'physical')
    return refuse('physical', `${setting.label} is moved by hand on the body, not in the menu.`, settingId)
  const said = `${setting.label} ${showValue(setting.domain, value)}`
  const plan = memoryPlan(state)
  const context = contextOf(state, heldFunctions(model, state, effectiveFunctionIdsOf(model, state)))
  const tried = resolve(model, plan, { ...context, edits: { ...state.edits, [settingId]: value } })
  const there = tried.settings.get(settingId)
  const refusal = there?.remarks.find((one) => one.kind === 'unavailable' && one.truth === 'yes')
  const own = there?.chain.findLast((link) => link.layer === 'edit')
  if (refusal && own && sameValue(there?.value, value))
    return done(state, [refusedIt(`${said} cannot be chosen: ${refusal.because}`)])
  const now = resolveBody(model, state, context.held).settings.get(settingId)
  const top = now?.chain.findLast((link) => link.layer !== 'rule')
  if (top?.layer === 'hold' || top?.layer === 'held' || top?.layer === 'dial')
    return done(state, [
      { kind: 'lost', words: `${said} is lost: ${top.because ?? 'a held key covers it.'}` },
    ])
  const [landed, log] = lands(model, state, setting, value)
  return done(landed, [did(said), ...log])
}

/** The state with the value where its owner keeps it, and what is to be said of that: the row that owned it before. */
function lands(model: BodyModel, state: LiveState, setting: Setting, value: Value): [LiveState, LogLine[]] {
  const { chain } = resolveBody(model, state).settings.get(setting.id) ?? { chain: [] }
  const owner = chain.findLast(({ layer }) => layer === 'bank' || layer === 'position' || layer === 'base')
  const family = model.families.find((one) => owner?.layer === 'bank' && one.id === setting.storedBy)
  if (!family) {
    const others = Object.fromEntries(Object.entries(state.edits).filter(([id]) => id !== setting.id))
    return [
      withRow({ ...state, edits: others }, owner?.row ?? emptyBaseRow(model, state, setting), value),
      [],
    ]
  }
  const doubt = lookup(model).doubts.get(`families/${family.id}/keeping`)
  const test: LogLine[] = doubt
    ? [{ kind: 'test', words: `Whether the bank keeps it is not known: ${doubt.test}` }]
    : []
  if (owner?.row && isLive(model, state, family)) return [withRow(state, owner.row, value), test]
  return [{ ...state, edits: { ...state.edits, [setting.id]: value } }, test]
}

/** The base cell of a setting that nothing has filled yet: one of a lens the body has not met before. */
function emptyBaseRow(model: BodyModel, state: LiveState, setting: Setting): RowId {
  return baseRow(state.body.memory, setting, whereaboutsIn(model, contextOf(state)))
}

/** Whether a live bank: as the model says, or as the switch of the menu stands. */
export function isLive(model: BodyModel, state: LiveState, family: BankFamily): boolean {
  if (family.keepingBy === undefined) return family.keeping === 'live'
  return valueNow(model, state, family.keepingBy) === true
}

/** A setting's value in force with no key held. */
export function valueNow(model: BodyModel, state: LiveState, setting: string): Value | undefined {
  return resolveBody(model, state).settings.get(setting)?.value
}

/** The state with one row of memory changed. */
export function withRow(state: LiveState, row: RowId, value: Value): LiveState {
  return { ...state, body: { ...state.body, memory: { ...state.body.memory, [row]: value } } }
}

/** The volatile changes dropped, each named: what it was, and what it is again. */
export function dropEdits(model: BodyModel, state: LiveState): Lived {
  const lost = Object.entries(state.edits).flatMap(([id, value]): LogLine[] => {
    const setting = lookup(model).settings.get(id)
    const after = resolveBody(model, { ...state, edits: {} }).settings.get(id)
    if (!setting || !after || sameValue(after.value, value)) return []
    const [was, is] = [value, after.value].map((one) => showValue(setting.domain, one))
    return [
      {
        kind: 'lost',
        words: `${setting.label}: ${was ?? ''} → ${is ?? ''}; the bank does not keep changes.`,
      },
    ]
  })
  return { state: { ...state, edits: {} }, log: lost }
}

function done(state: LiveState, log: readonly LogLine[]): Result<Lived> {
  return ok({ state, log })
}
