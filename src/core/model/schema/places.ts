import { actKinds, runStates, setUpPages } from '../types'
import { choose, flag, list, number, object, oneOf, optional, orNull } from './shapes'
import { firmwareRange, id, lineId, settingId, settingValues, side, words } from './ids'
import { need } from './rules'

/** Banks, positions, acts and menus. */

export const nameLength = number({ from: 1, to: 40, whole: true })

export const family = object({
  id,
  name: words(),
  selectedBy: oneOf(['dial', 'menu', 'key']),
  keeping: oneOf(['snapshot', 'live']),
  keepingBy: optional(settingId),
  widenedBy: optional(settingId),
  storesKeys: flag(),
  storesGrids: flag(),
  storesOwnMenu: optional(flag()),
  nameLength,
  slots: list(object({ id, name: words(), side: optional(side), ...firmwareRange }), { atLeast: 1 }),
})

export const position = object({
  id,
  name: words(),
  side: orNull(side),
  kind: oneOf(['plain', 'slot', 'remembered', 'special']),
  family: optional(id),
  slot: optional(id),
  sets: settingValues,
  keeps: list(settingId),
})

export const act = object({
  id,
  name: words(),
  does: oneOf(actKinds),
  by: optional(words(120)),
  needs: list(need),
  sets: settingValues,
  leadsTo: optional(oneOf(runStates)),
  warning: optional(words(300)),
})

export const menuLine = choose('a setting id, an act id, or a line with a name and what it opens', [
  { when: (input) => typeof input === 'string', shape: lineId },
  {
    when: (input) => typeof input === 'object' && input !== null && 'opens' in input,
    shape: object({ id, name: words(), opens: oneOf(setUpPages) }),
  },
  {
    when: (input) => typeof input === 'object',
    shape: object({ name: words(), behind: list(lineId, { atLeast: 1 }) }),
  },
])

export const grid = object({
  id,
  name: words(),
  side,
  rows: number({ from: 1, to: 12, whole: true }),
  columns: number({ from: 1, to: 12, whole: true }),
  openedBy: id,
  inFinder: flag(),
  permitted: list(settingId, { atLeast: 1 }),
  factory: list(settingId),
})
