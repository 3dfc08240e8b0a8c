import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { ruleBook } from '../../resolve/rule-book'
import { effectiveState } from '../../resolve/state'
import { ok, refuse, type Result } from '../../result'
import { operate, type BodyEvent } from '../body'
import { edit } from './edit'
import { did, refusedIt, type Lived, type LogLine } from './events'
import { contextOf, memoryPlan, type Fault, type LiveState } from './state'

/** An act of the menu done: its needs are asked first; the file acts go to the card. */
export function doAct(
  model: BodyModel,
  state: LiveState,
  id: string,
  file: string | undefined,
): Result<Lived> {
  const act = lookup(model).acts.get(id)
  if (!act) return refuse('unknown-act', `${model.name} has no act ${id}.`, id)
  const { facts } = effectiveState(model, memoryPlan(state), contextOf(state))
  const needs = ruleBook(model).actNeeds.get(id) ?? []
  const lacking = needs.find((need) => need.holds(facts) === 'no')
  if (lacking) return ok({ state, log: [refusedIt(`${act.name}: ${lacking.because}`)] })
  const doubt = needs.find((need) => need.holds(facts) === 'unknown')
  const test: LogLine[] = doubt ? [{ kind: 'test', words: `${act.name}: ${doubt.because}` }] : []
  const name = file ?? `${model.cardFile.folder}/CONFIG.SET`
  const done = happening(model, state, act.does, name)
  if (!done.ok) return done
  let { state: next, log } = done.value
  for (const [setting, value] of Object.entries(act.sets)) {
    const set = edit(model, next, setting, value)
    if (!set.ok) return set
    next = set.value.state
    log = [...log, ...set.value.log]
  }
  const run = act.leadsTo ?? next.run
  const said = log.length === 0 ? [did(`${act.name}.`)] : log
  return ok({ state: { ...next, run }, log: [...test, ...said] })
}

function happening(model: BodyModel, state: LiveState, does: string, file: string): Result<Lived> {
  switch (does) {
    case 'format': {
      const { card } = state.body
      if (card === null) return ok({ state, log: [refusedIt('There is no card to empty.')] })
      if (card.locked) return ok({ state, log: [refusedIt('The card is locked.')] })
      const held = Object.values(card.files).reduce((sum, bytes) => sum + bytes.length, 0)
      const body = { ...state.body, card: { ...card, freeBytes: card.freeBytes + held, files: {} } }
      return ok({
        state: { ...state, body },
        log: [did('The card is empty; configuration files went with it.')],
      })
    }
    case 'save':
      return onBody(model, state, { kind: 'save', file, atSeconds: state.seconds }, file)
    case 'load':
      return onBody(model, state, { kind: 'load', file }, file)
    case 'reset':
      return onBody(model, { ...state, edits: {} }, { kind: 'reset' }, file)
    case 'register':
      return ok({ state, log: [refusedIt('Say which slot: register FAMILY SLOT.')] })
    default:
      return ok({ state, log: [] })
  }
}

/** An event of the memory and the card; a body that misbehaves does so at the write. */
function onBody(model: BodyModel, state: LiveState, event: BodyEvent, file: string): Result<Lived> {
  const done = operate(model, state.body, event)
  if (!done.ok) return ok({ state, log: [refusedIt(done.refusal.message)] })
  const calm = { ...state, body: done.value.body }
  if (event.kind !== 'save' || state.fault === null) return ok({ state: calm, log: [did(done.value.log)] })
  return ok(spoilt({ ...calm, fault: null }, state.fault, file))
}

/** What a fault makes of a write: half a file, the card pulled and put back; the same and no power; or one bit turned over. */
function spoilt(state: LiveState, fault: Fault, file: string): Lived {
  const { card } = state.body
  const bytes = card?.files[file]
  if (!card || !bytes) return { state, log: [] }
  const bad = fault === 'bit-flip' ? flipped(bytes) : bytes.slice(0, bytes.length >> 1)
  const spoiltCard = { ...card, files: { ...card.files, [file]: bad } }
  const words = {
    'bit-flip': 'Saved; on the card one bit is not what was written.',
    'card-pulled': 'The card was pulled while it was written to; half a file is on it.',
    'battery-dies': 'The battery died while the card was written to; half a file is on it.',
  }[fault]
  const dead = fault === 'battery-dies'
  const body = { ...state.body, card: spoiltCard, batteryPercent: dead ? 0 : state.body.batteryPercent }
  return {
    state: { ...state, body, on: !dead, held: [], starters: [], leader: null },
    log: [refusedIt(words)],
  }
}

function flipped(bytes: Uint8Array): Uint8Array {
  const copy = Uint8Array.from(bytes)
  const middle = copy.length >> 1
  copy[middle] = (copy[middle] ?? 0) ^ 1
  return copy
}
