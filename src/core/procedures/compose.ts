import { plannedSlots } from '../plan/plan'
import { entriesOf, isSlotRow } from '../plan/rows'
import { factoryMemory } from '../camera/memory'
import type { StateIn } from '../resolve/resolved'
import { buildOn, cleanStart, firstDay } from './begin'
import { firmwareDay, isoLadder, pairing, planned } from './care'
import type { Composer } from './composer'
import { evening, morning } from './days'
import { fieldMoves } from './field-moves'
import { pressTest } from './press-test'
import { rescue, type RescueAt } from './rescue'
import { composeSetting } from './set-plan'
import type { Procedure } from './types'
import type { SetOrder } from './wanted'

import { catalogue, type ProcedureId } from './catalogue'

/** What is asked for besides the order. */
export interface Asked {
  readonly order: SetOrder
  /** Where focus fails, for the rescue; the first side with no bank where it is left out. */
  readonly at?: RescueAt
  readonly stateIn?: StateIn
}

interface Composing {
  readonly compose: (asked: Asked) => Composer
  readonly leaves?: (asked: Asked) => readonly string[]
}

const mediaLost = 'Configuration files lie on the card: formatting it loses them.'

/** How each procedure is composed; adding one is adding a row here and its name in the catalogue. */
const composing: Readonly<Record<ProcedureId, Composing>> = {
  'first-day': {
    compose: ({ order }) => firstDay({ ...order, from: factoryMemory(order.model) }),
  },
  'clean-start': {
    compose: ({ order }) => cleanStart(order),
    leaves: () => [mediaLost, 'The owner’s name, clock and network stay: a reset leaves them.'],
  },
  'build-on': {
    compose: ({ order }) => buildOn(order),
  },
  'set-plan': {
    compose: ({ order }) => composeSetting(order),
  },
  banks: {
    compose: ({ order }) => composeSetting({ ...order, from: withoutBanks(order) }, true),
    leaves: ({ order }) => leavesOfBanks(order),
  },
  'press-test': {
    compose: ({ order, stateIn }) => pressTest(planned(order), stateIn),
  },
  'field-moves': {
    compose: ({ order }) => fieldMoves(order),
  },
  'iso-ladder': {
    compose: ({ order }) => isoLadder(order),
  },
  morning: {
    compose: ({ order }) => morning(order),
  },
  evening: {
    compose: ({ order }) => evening(order),
  },
  rescue: {
    compose: ({ order, at, stateIn }) =>
      rescue(order, at ?? { side: order.model.sides[0] ?? 'stills', slot: null }, stateIn),
  },
  pairing: {
    compose: ({ order }) => pairing(order),
  },
  'firmware-day': {
    compose: ({ order }) => firmwareDay(order),
    leaves: () => ['The old file may not load any more: keep it, and save a new one.'],
  },
}

/** A procedure composed for a plan and a body. Linear in the acts, each costing at most one reckoning of the settings. */
export function composeProcedure(id: ProcedureId, asked: Asked): Procedure {
  const named = catalogue.find((one) => one.id === id)
  const { compose, leaves } = composing[id]
  const { acts, undone } = compose(asked)
  return {
    id,
    name: named?.name ?? id,
    purpose: named?.purpose ?? '',
    acts,
    undone,
    leaves: leaves?.(asked) ?? [],
  }
}

/** A body with the plan's base on it, and no bank stored. */
function withoutBanks(order: SetOrder) {
  const { from } = planned(order)
  return Object.fromEntries(entriesOf(from).filter(([row]) => !isSlotRow(row)))
}

function leavesOfBanks({ model, plan }: SetOrder): string[] {
  const unused =
    model.families.reduce((sum, { slots }) => sum + slots.length, 0) - plannedSlots(model, plan).length
  return unused > 0
    ? [`${unused} ${unused === 1 ? 'bank is' : 'banks are'} not used by the plan and stay as they are.`]
    : []
}
