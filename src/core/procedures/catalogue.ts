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

/** When a procedure is gone through. */
export type ProcedureGroup = 'begin' | 'set' | 'prove' | 'day' | 'need'

/** What is asked for besides the order. */
export interface Asked {
  readonly order: SetOrder
  /** Where focus fails, for the rescue; stills with no bank where it is left out. */
  readonly at?: RescueAt
  readonly stateIn?: StateIn
}

interface Entry {
  readonly id: string
  readonly name: string
  readonly group: ProcedureGroup
  readonly purpose: string
  readonly compose: (asked: Asked) => Composer
  readonly leaves?: (asked: Asked) => readonly string[]
}

const mediaLost = 'Configuration files lie on the card: formatting it loses them.'

/** Every procedure, in the order in which an owner meets them. */
export const catalogue = [
  {
    id: 'first-day',
    name: 'First day',
    group: 'begin',
    purpose: 'A new camera in the right order; important work waits for a file that really opened.',
    compose: ({ order }) => firstDay({ ...order, from: factoryMemory(order.model) }),
  },
  {
    id: 'clean-start',
    name: 'Clean start',
    group: 'begin',
    purpose: 'What is there is saved; then back to delivered, and the plan from there.',
    compose: ({ order }) => cleanStart(order),
    leaves: () => [mediaLost, 'The owner’s name, clock and network stay: a reset leaves them.'],
  },
  {
    id: 'build-on',
    name: 'Build on what is there',
    group: 'begin',
    purpose: 'Nothing is wiped: every line the plan says is looked at on the body.',
    compose: ({ order }) => buildOn(order),
  },
  {
    id: 'set-plan',
    name: 'Set this plan',
    group: 'set',
    purpose: 'The menu walked once, then keys, menus and banks.',
    compose: ({ order }) => composeSetting(order),
  },
  {
    id: 'banks',
    name: 'Build the banks',
    group: 'set',
    purpose: 'Base stored to all, each varied from it, and stored again.',
    compose: ({ order }) => composeSetting({ ...order, from: withoutBanks(order) }, true),
    leaves: ({ order }) => leavesOfBanks(order),
  },
  {
    id: 'press-test',
    name: 'Press every key once',
    group: 'prove',
    purpose: 'What each key and bank should do, held against what it does.',
    compose: ({ order, stateIn }) => pressTest(planned(order), stateIn),
  },
  {
    id: 'field-moves',
    name: 'Field moves',
    group: 'prove',
    purpose: 'Short key sequences to have in the hand; each was played on the simulated body.',
    compose: ({ order }) => fieldMoves(order),
  },
  {
    id: 'iso-ladder',
    name: 'ISO ladder',
    group: 'prove',
    purpose: 'Every stop of ISO shot once and rated: your own ceiling, not somebody else’s.',
    compose: ({ order }) => isoLadder(order),
  },
  {
    id: 'morning',
    name: 'Morning routine',
    group: 'day',
    purpose: 'What nothing restores by itself, before the work.',
    compose: ({ order }) => morning(order),
  },
  {
    id: 'evening',
    name: 'Evening routine',
    group: 'day',
    purpose: 'Copied twice and opened, and only then formatted.',
    compose: ({ order }) => evening(order),
  },
  {
    id: 'rescue',
    name: 'It does not focus',
    group: 'need',
    purpose: 'The likely causes in this plan and bank, nearest first.',
    compose: ({ order, at, stateIn }) =>
      rescue(order, at ?? { side: order.model.sides[0] ?? 'stills', slot: null }, stateIn),
  },
  {
    id: 'pairing',
    name: 'Pair a phone or remote',
    group: 'need',
    purpose: 'What has to be on first, in order, and the act.',
    compose: ({ order }) => pairing(order),
  },
  {
    id: 'firmware-day',
    name: 'Firmware day',
    group: 'need',
    purpose: 'An update that loses nothing: saved before, brought back, looked at again.',
    compose: ({ order }) => firmwareDay(order),
    leaves: () => ['The old file may not load any more: keep it, and save a new one.'],
  },
] as const satisfies readonly Entry[]

/** The id of a procedure. */
export type ProcedureId = (typeof catalogue)[number]['id']

/** Whether something names a procedure. */
export function isProcedure(id: string): id is ProcedureId {
  return catalogue.some((one) => one.id === id)
}

/** A procedure composed for a plan and a body. Linear in the acts, each costing at most one reckoning of the settings. */
export function composeProcedure(id: ProcedureId, asked: Asked): Procedure {
  const entry = catalogue.find((one): one is (typeof catalogue)[number] & Entry => one.id === id) as Entry
  const { acts, undone } = entry.compose(asked)
  return {
    id,
    name: entry.name,
    purpose: entry.purpose,
    acts,
    undone,
    leaves: entry.leaves?.(asked) ?? [],
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
