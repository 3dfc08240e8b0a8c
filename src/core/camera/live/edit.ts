import { baseRow } from '../../plan/cells'
import { describeRow, entriesOf, showRow, type RowId, type Rows } from '../../plan/rows'
import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { BankFamily, BodyModel, Setting } from '../../model/types'
import { whereaboutsIn } from '../../resolve/context'
import type { Link } from '../../resolve/resolved'
import { refusing } from '../../resolve/state'
import { ok, refuse, type Result } from '../../result'
import { sameValue, type Value } from '../../vocabulary/values'
import { did, refusedIt, type Lived, type LogLine } from './events'
import { contextOf, heldFunctions, settingsNow, type LiveState } from './state'
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
  const held =
    state.held.length === 0 ? [] : heldFunctions(model, state, effectiveFunctionIdsOf(model, state))
  const tried = settingsNow(model, { ...state, edits: { ...state.edits, [settingId]: value } }, held)
  const there = tried.possible.get(settingId) ?? []
  const [refusal] = refusing(tried, settingId, value)
  const isOwn = tried.chains.get(settingId)?.some(({ layer }) => layer === 'edit') ?? false
  if (refusal !== undefined && isOwn && there.every((one) => sameValue(one, value)))
    return done(state, [refusedIt(`${said} cannot be chosen: ${refusal}`)])
  const now = settingsNow(model, state, held).chains.get(settingId)
  const top = now?.findLast((link) => link.layer !== 'rule')
  if (top?.layer === 'hold' || top?.layer === 'held' || top?.layer === 'dial')
    return done(state, [
      { kind: 'lost', words: `${said} is lost: ${top.because ?? 'a held key covers it.'}` },
    ])
  const chain = settingsNow(model, state).chains.get(setting.id) ?? []
  const family = familyOwning(model, setting, chain)
  const doubt = family && lookup(model).doubts.get(`families/${family.id}/keeping`)
  const test: LogLine[] = doubt
    ? [{ kind: 'test', words: `Whether the bank keeps it is not known: ${doubt.test}` }]
    : []
  return done(landed(model, state, setting, value, chain), [did(said), ...test])
}

/**
 * The state with a value where its owner keeps it; `chain` is how the setting stands with nothing held. In a snapshot bank
 * it is an edit, gone on leaving.
 */
export function landed(
  model: BodyModel,
  state: LiveState,
  setting: Setting,
  value: Value,
  chain: readonly Link[],
): LiveState {
  const row = ownerRow(model, state, setting, chain)
  const family = familyOwning(model, setting, chain)
  if (!family) {
    const others = Object.fromEntries(Object.entries(state.edits).filter(([id]) => id !== setting.id))
    return withRow({ ...state, edits: others }, row, value)
  }
  if (isLive(model, state, family)) return withRow(state, row, value)
  return { ...state, edits: { ...state.edits, [setting.id]: value } }
}

/** The row that owns a setting's value as the camera stands: the bank's, the position's, or the base cell. */
export function ownerRow(
  model: BodyModel,
  state: LiveState,
  setting: Setting,
  chain: readonly Link[],
): RowId {
  return ownerIn(chain)?.row ?? emptyBaseRow(model, state, setting)
}

function ownerIn(chain: readonly Link[]): Link | undefined {
  return chain.findLast(({ layer }) => layer === 'bank' || layer === 'position' || layer === 'base')
}

function familyOwning(model: BodyModel, setting: Setting, chain: readonly Link[]): BankFamily | undefined {
  const owner = ownerIn(chain)
  return model.families.find((one) => owner?.layer === 'bank' && one.id === setting.storedBy)
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
  return settingsNow(model, state).chains.get(setting)?.at(-1)?.value
}

/** The state with one row of memory changed, or taken away. */
export function withRow(state: LiveState, row: RowId, value: Value | null): LiveState {
  return { ...state, body: { ...state.body, memory: restored(state.body.memory, { [row]: value }) } }
}

/** The volatile changes dropped, each named: what it was, and what it is again. */
export function dropEdits(model: BodyModel, state: LiveState): Lived {
  const memory = restored(state.body.memory, state.unstored)
  const left = { ...state, edits: {}, unstored: {}, body: { ...state.body, memory } }
  const rows = entriesOf(state.unstored).map(([row, was]): LogLine => ({
    kind: 'lost',
    words: `${describeRow(model, row)} is ${showRow(model, row, was)} again; the bank does not keep changes.`,
  }))
  if (Object.keys(state.edits).length === 0) return { state: left, log: rows }
  const after = settingsNow(model, left)
  const lost = Object.entries(state.edits).flatMap(([id, value]): LogLine[] => {
    const setting = lookup(model).settings.get(id)
    const again = after.chains.get(id)?.at(-1)?.value
    if (!setting || sameValue(again, value)) return []
    const [was, is] = [value, again].map((one) => showValue(setting.domain, one))
    return [
      {
        kind: 'lost',
        words: `${setting.label}: ${was ?? ''} → ${is ?? ''}; the bank does not keep changes.`,
      },
    ]
  })
  return { state: left, log: [...rows, ...lost] }
}

/** Rows with some of them as given; null takes one away. */
function restored(rows: Rows, before: Readonly<Record<RowId, Value | null>>): Rows {
  const kept: Record<RowId, Value> = { ...rows }
  for (const [row, was] of entriesOf(before)) {
    if (was === null) delete kept[row]
    else kept[row] = was
  }
  return kept
}

function done(state: LiveState, log: readonly LogLine[]): Result<Lived> {
  return ok({ state, log })
}
