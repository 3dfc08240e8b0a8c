import { alike } from './alike'
import type { Choice, Instance, Way } from './types'
import type { Arrangement } from './score'

/** A mixed-integer linear program: costs to be made least over columns, under rows; sparse, row by row. */
export interface Program {
  readonly costs: readonly number[]
  /** Columns before this one are whole numbers, 0 or 1; the others are shares, from 0 to 1. */
  readonly whole: number
  readonly rows: readonly ProgramRow[]
  /** What is paid whatever is chosen. */
  readonly constant: number
}

/** One row: a weighted sum of columns, each named once, between two bounds. */
export interface ProgramRow {
  readonly columns: readonly number[]
  readonly factors: readonly number[]
  readonly least: number
  readonly most: number
}

/** A program, the columns that are 1 as things stand today, and how a solution is read. */
export interface Stated {
  readonly program: Program
  readonly today: readonly number[]
  readonly read: (solution: readonly number[]) => Arrangement
}

/**
 * The instance as a program, with at most `changes` places changed. One column says whether a place holds a value; a
 * demand is shared out over its ways, each no more than what it takes is chosen, and what is opened on the way over
 * the keys that open it (the facility location of the textbooks, disaggregated, whose relaxation is tight). Ways of one
 * price are one column, and so are places as good as each other: that says the same with fewer. With the choices
 * whole, the shares are whole by themselves.
 */
export function programOf(instance: Instance, changes: number | null): Stated {
  const made = new ProgramBuilder()
  const board = boardOf(instance, made)
  const whole = made.costs.length
  for (const { weight, ways } of instance.demands) stateDemand(instance, made, board, weight, ways)
  for (const { seconds, classes } of instance.pairs) {
    made.constant += seconds
    const both = classes.map(({ one, two }) => {
      const column = made.column(-seconds)
      for (const side of [one, two]) made.atMost(column, side.map(board.columnOf))
      return column
    })
    if (both.length > 0) made.sum(both, 0, 1)
  }
  for (const choices of instance.kept) {
    const held = choices.map(board.columnOf)
    if (!held.includes(fixed)) made.sum(held, 1, Infinity)
  }
  if (changes !== null) {
    const allowed = Math.max(changes, board.forced)
    const { held, moved } = board
    made.row(
      [...held, ...moved],
      [...held.map(() => -1), ...moved.map(() => 1)],
      -Infinity,
      allowed - held.length - board.forced,
    )
  }
  const { costs, rows, constant } = made
  return { program: { costs, whole, rows, constant }, today: board.held, read: board.read }
}

/** Stands for a choice that is made already, and one that no column tells. */
const fixed = -1

/** The columns of the choices. */
interface Board {
  readonly columnOf: (choice: Choice) => number
  /** Columns of what stands today, of places that may change one by one; and those of values put into alike places. */
  readonly held: readonly number[]
  readonly moved: readonly number[]
  /** How many places have to change. */
  readonly forced: number
  readonly read: (solution: readonly number[]) => Arrangement
}

function boardOf(instance: Instance, made: ProgramBuilder): Board {
  const { places } = instance
  const groups = alike(instance)
  const columns = new Map<number, readonly number[]>()
  const held: number[] = []
  const moved: number[] = []
  let forced = 0
  for (const [i, { values, costs, current }] of places.entries()) {
    const group = groups.get(i)
    const first = group?.[0] ?? i
    if (values.length === 1) made.constant += costs[0] ?? 0
    else if (first !== i) columns.set(i, columns.get(first) ?? [])
    else if (group) {
      const put = values.slice(1).map((_, k) => made.column(costs[k + 1] ?? 0))
      made.sum(put, 0, group.length)
      moved.push(...put)
      columns.set(i, [fixed, ...put])
    } else {
      const mine = values.map((_, k) => made.column(costs[k] ?? 0))
      made.sum(mine, 1, 1)
      const now = mine[current]
      if (now !== undefined) held.push(now)
      columns.set(i, mine)
    }
    if (current < 0 && values.length > 1) forced += 1
  }
  const columnOf = ({ place, value }: Choice) => columns.get(place)?.[value] ?? fixed
  const read = (solution: readonly number[]): Arrangement => {
    const chosen = (place: number) =>
      (columns.get(place) ?? []).flatMap((column, value) => ((solution[column] ?? 0) > 0.5 ? [value] : []))
    return places.map((_, place) => chosen(place)[(groups.get(place) ?? [place]).indexOf(place)] ?? 0)
  }
  return { columnOf, held, moved, forced, read }
}

function stateDemand(
  { openers }: Instance,
  made: ProgramBuilder,
  { columnOf }: Board,
  weight: number,
  ways: readonly Way[],
): void {
  const share = ({ seconds, choices }: Level) => {
    const column = made.column(weight * seconds)
    made.atMost(
      column,
      choices.map((one) => (one ? columnOf(one) : fixed)),
    )
    return column
  }
  const levels = levelsOf(ways.filter(({ opens }) => opens === null || (openers.get(opens) ?? []).length > 0))
  const shares = levels.map(share)
  made.sum(shares, 1, 1)
  for (const name of new Set(levels.flatMap((level) => level.opens ?? []))) {
    const through = shares.filter((_, i) => levels[i]?.opens === name)
    const keys = (openers.get(name) ?? []).map(({ choice, seconds }) => ({
      seconds,
      takes: choice,
      opens: null,
    }))
    const by = levelsOf(keys).map(share)
    made.row([...through, ...by], [...through.map(() => 1), ...by.map(() => -1)], 0, 0)
  }
}

/** Ways of one price that open the same: any one of the choices will do; null where none is needed. */
interface Level {
  readonly seconds: number
  readonly opens: string | null
  readonly choices: readonly (Choice | null)[]
}

function levelsOf(ways: readonly Way[]): Level[] {
  const levels = new Map<string, Level>()
  for (const { seconds, takes, opens } of ways) {
    const name = `${seconds.toFixed(6)} ${opens ?? ''}`
    const choices = [...(levels.get(name)?.choices ?? []), takes]
    levels.set(name, { seconds, opens, choices })
  }
  return [...levels.values()]
}

/** Puts columns and rows together. */
class ProgramBuilder {
  readonly costs: number[] = []
  readonly rows: ProgramRow[] = []
  constant = 0

  column(cost: number): number {
    return this.costs.push(cost) - 1
  }

  row(columns: readonly number[], factors: readonly number[], least: number, most: number): void {
    if (columns.length > 0) this.rows.push({ columns, factors, least, most })
  }

  sum(columns: readonly number[], least: number, most: number): void {
    const once = [...new Set(columns)]
    const ones = once.map(() => 1)
    this.row(once, ones, least, most)
  }

  /** A column is no more than some others together; where one of them is fixed, that says nothing. */
  atMost(column: number, others: readonly number[]): void {
    if (others.includes(fixed)) return
    const once = [...new Set(others)]
    this.row([column, ...once], [1, ...once.map(() => -1)], -Infinity, 0)
  }
}
