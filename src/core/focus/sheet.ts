import { lookup } from '../model/lookup'
import type { BodyModel, Posture } from '../model/types'
import type { NamedContext } from '../resolve/context'
import { isRunning } from './outcome'
import { rowFor, type FocusRow, type FocusTable } from './table'

/** The trigger table of one bank with one lens, in each state that toggles reach. */
export interface BankFocus {
  readonly state: NamedContext
  readonly tables: readonly FocusTable[]
}

/** What is held, in one line across the banks. */
export interface HeldAcross {
  /** Addresses in the order in which they are pressed; empty where no key is held. */
  readonly held: readonly string[]
  /** What comes of it in each bank, in the order of the banks; null where a key does not answer there. */
  readonly cells: readonly (FocusRow | null)[]
  /** Whether the banks differ in it. */
  readonly differs: boolean
  /** Fewer of these keys, held alone, that come to the same in every bank; null where holding all of them matters. */
  readonly sameAs: readonly string[] | null
}

/** The lines of the sheet: single keys before pairs, what focuses first, then those in which the banks differ. */
export function linesAcross(banks: readonly BankFocus[], variant = 'as set'): HeldAcross[] {
  const tables = banks.map((bank) => tableIn(bank, variant))
  const seen = new Map<string, readonly string[]>()
  for (const table of tables) for (const { held } of table?.rows ?? []) seen.set(held.join(' + '), held)
  const lines = [...seen.values()].map((held) => {
    const cells = tables.map((table) => (table && rowFor(table, held)) ?? null)
    const outcomes = cells.map((cell) => JSON.stringify(cell?.outcomes ?? null))
    return { held, cells, outcomes, differs: new Set(outcomes).size > 1 }
  })
  const byHeld = new Map(lines.map((line) => [line.held.join(), line]))
  const sameAs = ({ held, outcomes }: (typeof lines)[number]) =>
    held
      .map((key) => held.filter((one) => one !== key))
      .find((fewer) => {
        const other = byHeld.get(fewer.join())
        return other && outcomes.every((one, i) => one === other.outcomes[i])
      }) ?? null
  const order = ({ held, cells, differs }: (typeof lines)[number]) =>
    Number(held.length > 1) * 4 +
    Number(!cells.some((cell) => cell?.outcomes.some(isRunning))) * 2 +
    Number(!differs)
  return lines
    .sort((one, two) => order(one) - order(two) || one.held.length - two.held.length)
    .map((line) => ({ held: line.held, cells: line.cells, differs: line.differs, sameAs: sameAs(line) }))
}

/** The table of a bank after the presses that lead to a variant; the one as set where they lead nowhere there. */
export function tableIn({ tables }: BankFocus, variant: string): FocusTable | undefined {
  return tables.find((one) => one.variant.words === variant) ?? tables[0]
}

/** The states that toggles reach in any of the banks, each once. */
export function variantsAcross(banks: readonly BankFocus[]): string[] {
  return [...new Set(banks.flatMap(({ tables }) => tables.map((one) => one.variant.words)))]
}

/** One line of the press-test list: held so, in this bank, one of these is to be seen. */
export interface PressTest {
  readonly bank: string
  readonly held: readonly string[]
  readonly row: FocusRow
}

/** What only the body can tell: each set of keys with more than one possible outcome, with how to find out. */
export function pressTests(banks: readonly BankFocus[]): PressTest[] {
  return banks.flatMap(({ state: situated, tables }) =>
    (tables[0]?.rows ?? [])
      .filter((row) => row.asks.length > 0)
      .map((row) => ({ bank: situated.bank, held: row.held, row })),
  )
}

/** Whether the finger rests on one of the held controls when the camera is worked so. */
export function heldBy(model: BodyModel, held: readonly string[], digit: string, posture: Posture): boolean {
  return held.some((key) => lookup(model).addresses.get(key)?.control.reach[posture]?.digit === digit)
}
