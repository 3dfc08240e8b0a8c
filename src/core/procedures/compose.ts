import type { BodyModel } from '../model/types'
import { plannedSlots, type Plan } from '../plan/plan'
import { entriesOf, isSlotRow } from '../plan/rows'
import { factoryMemory, memoryOf, type Memory } from '../camera/memory'
import type { StateIn } from '../resolve/resolved'
import { buildOn, cleanStart, firstDay } from './begin'
import { carryByHand, type HandBody } from './carry-by-hand'
import { firmwareDay, isoLadder, pairing, resetAndRestore } from './care'
import type { Composer } from './composer'
import { evening, morning } from './days'
import { fieldMoves } from './field-moves'
import { bracketJob, focusSeriesJob, intervalJob } from './jobs'
import { pressTest } from './press-test'
import { rescue } from './rescue'
import { readRescuePlace, readTargets } from './place'
import { composeSetting } from './set-plan'
import type { Procedure } from './types'
import type { SetOrder } from './wanted'
import { catalogue, type ProcedureId } from './catalogue'

/** What is asked for besides the order. */
export interface Asked {
  readonly order: SetOrder
  /** What it is about, where a procedure asks for that (`isPlaceOf`); where it is left out, what is most likely meant. */
  readonly place?: string | undefined
  readonly stateIn?: StateIn
  /** The real bodies there are, for what is carried by hand. */
  readonly bodies?: readonly HandBody[]
}

interface Composing {
  /** On what it is composed: a body that holds what the order says, one as delivered, one with the plan on it, or with its base alone. */
  readonly on: 'given' | 'delivered' | 'plan' | 'base'
  readonly compose: (asked: Asked) => Composer
  /** What it may be about; a procedure without this asks for nothing. */
  readonly isPlace?: (model: BodyModel, plan: Plan, place: string) => boolean
  readonly leaves?: (asked: Asked) => readonly string[]
}

const mediaLost = 'Configuration files lie on the card: formatting it loses them.'

/** How each procedure is composed; adding one is adding a row here and its name in the catalogue. */
const composing: Readonly<Record<ProcedureId, Composing>> = {
  'first-day': { on: 'delivered', compose: ({ order }) => firstDay(order) },
  'clean-start': {
    on: 'given',
    compose: ({ order }) => cleanStart(order),
    leaves: () => [mediaLost, 'The owner’s name, clock and network stay: a reset leaves them.'],
  },
  'build-on': { on: 'given', compose: ({ order }) => buildOn(order) },
  'set-plan': { on: 'given', compose: ({ order }) => composeSetting(order) },
  banks: {
    on: 'base',
    compose: ({ order }) => composeSetting(order, true),
    leaves: ({ order }) => leavesOfBanks(order),
  },
  'press-test': { on: 'plan', compose: ({ order, stateIn }) => pressTest(order, stateIn) },
  'field-moves': { on: 'plan', compose: ({ order }) => fieldMoves(order) },
  'iso-ladder': { on: 'plan', compose: ({ order }) => isoLadder(order) },
  morning: { on: 'plan', compose: ({ order }) => morning(order) },
  evening: { on: 'plan', compose: ({ order }) => evening(order) },
  rescue: {
    on: 'plan',
    compose: ({ order, place = '', stateIn }) => {
      const { model, plan } = order
      const at = readRescuePlace(model, plan, place) ?? { side: model.sides[0] ?? 'stills', slot: null }
      return rescue(order, at, stateIn)
    },
    isPlace: (model, plan, place) => readRescuePlace(model, plan, place) !== null,
  },
  'bracket-job': { on: 'plan', compose: ({ order }) => bracketJob(order) },
  'interval-job': { on: 'plan', compose: ({ order }) => intervalJob(order) },
  'focus-series-job': { on: 'plan', compose: ({ order }) => focusSeriesJob(order) },
  pairing: { on: 'plan', compose: ({ order }) => pairing(order) },
  'firmware-day': {
    on: 'plan',
    compose: ({ order, place = '' }) => firmwareDay(order, place),
    isPlace: (model, _plan, place) => model.firmware.some(({ version }) => version === place),
    leaves: () => ['The old file may not load any more: keep it, and save a new one.'],
  },
  'carry-by-hand': {
    on: 'plan',
    compose: ({ order, place = '', bodies = [] }) =>
      carryByHand(order, place === '' ? [] : (readTargets(place) ?? []), bodies),
    isPlace: (_model, _plan, place) => readTargets(place) !== null,
    leaves: () => [mediaLost],
  },
  'reset-restore': {
    on: 'given',
    compose: ({ order }) => resetAndRestore(order),
    leaves: () => [mediaLost],
  },
}

/** Whether a procedure can be about this: a side or bank where focus fails, a firmware to update to; the empty text always. */
export function isPlaceOf(id: ProcedureId, model: BodyModel, plan: Plan, place: string): boolean {
  return place === '' || composing[id].isPlace?.(model, plan, place) === true
}

/** What a body holds where a procedure begins: it is composed on that, and has to be played on it. */
export function startOf(id: ProcedureId, order: SetOrder): Memory {
  const { model, plan } = order
  const { on } = composing[id]
  if (on === 'given') return order.from
  if (on === 'delivered') return factoryMemory(model)
  const held = memoryOf(model, plan)
  if (on === 'plan') return held
  return Object.fromEntries(entriesOf(held).filter(([row]) => !isSlotRow(row)))
}

/**
 * What a body held before a procedure was gone through on it: what the order says, or, where a procedure takes base for
 * given, what it is believed to hold. Null for a procedure that takes for given that the plan is on the body: it tells
 * nothing of what the body holds.
 */
export function heldBefore(id: ProcedureId, order: SetOrder, believed: Memory | null): Memory | null {
  const { on } = composing[id]
  if (on === 'plan') return null
  // What a body was brought back to is what it held: where that is not known, it is not known afterwards either.
  if (id === 'reset-restore') return believed
  return on === 'base' ? (believed ?? order.from) : startOf(id, order)
}

/** A procedure composed for a plan and a body. Linear in the acts, each costing at most one reckoning of the settings. */
export function composeProcedure(id: ProcedureId, { order: given, ...asked }: Asked): Procedure {
  const named = catalogue.find((one) => one.id === id)
  const { compose, leaves } = composing[id]
  const order = { ...given, from: startOf(id, given) }
  const { acts, undone } = compose({ order, ...asked })
  return {
    id,
    name: named?.name ?? id,
    purpose: named?.purpose ?? '',
    acts,
    undone,
    leaves: leaves?.({ order, ...asked }) ?? [],
  }
}

function leavesOfBanks({ model, plan }: SetOrder): string[] {
  const unused =
    model.families.reduce((sum, { slots }) => sum + slots.length, 0) - plannedSlots(model, plan).length
  return unused > 0
    ? [`${unused} ${unused === 1 ? 'bank is' : 'banks are'} not used by the plan and stay as they are.`]
    : []
}
