import type { Highs } from 'highs'
import type { Program } from './program'

/** How a program is to be solved. */
export interface Effort {
  /** Seconds after which the best found is taken. */
  readonly seconds: number
  /** Columns that are 1 in a solution to begin with, among those that are whole. */
  readonly start?: readonly number[]
  /** Told whenever a better solution is found: its cost, and the least it can be as far as is known. */
  readonly onBetter?: (cost: number, bound: number) => void
}

/** What solving came to. */
export interface Solved {
  /** Proven to be the least; or the time was over, with a solution or without; or there can be none. */
  readonly status: 'proven' | 'time' | 'impossible'
  /** A value for each column; null where none was found. */
  readonly solution: readonly number[] | null
  readonly cost: number
  /** No solution costs less. */
  readonly bound: number
}

/** Solves programs. */
export type Solver = (program: Program, effort: Effort) => Solved

/** The HiGHS solver, once it is loaded, as a `Solver`; it goes on to gap 0. */
export function solveWith(highs: Highs): Solver {
  return (program, { seconds, start = [], onBetter }) =>
    highs.withModel(dataOf(program, highs), (model): Solved => {
      model.options.set({
        output_flag: false,
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: 1e-6,
        mip_allow_restart: false,
        presolve: 'off',
      })
      const whole = Array.from({ length: program.whole }, (_, i) => i)
      const begun = new Set(start)
      model.setSolution({ indices: whole, values: whole.map((i) => (begun.has(i) ? 1 : 0)) })
      const { mipImprovingSolution } = highs.constants.callbackType
      model.run({
        [mipImprovingSolution]: ({ data }) => {
          onBetter?.(data.mip_primal_bound ?? Infinity, data.mip_dual_bound ?? -Infinity)
        },
      })
      const { modelStatus } = highs.constants
      const status = model.getModelStatus()
      if (status === modelStatus.infeasible) return impossible
      const proven = status === modelStatus.optimal || status === modelStatus.empty
      const found = proven || model.info.get('primal_solution_status') === 2
      const cost = found ? model.getObjectiveValue() : Infinity
      return {
        status: proven ? 'proven' : 'time',
        solution: found ? Array.from(model.getSolution().colValue) : null,
        cost,
        bound: proven ? cost : Number(model.info.get('mip_dual_bound')),
      }
    })
}

const impossible: Solved = { status: 'impossible', solution: null, cost: Infinity, bound: Infinity }

function dataOf({ costs, whole, rows, constant }: Program, { infinity, constants }: Highs) {
  const { integer, continuous } = constants.variableType
  const starts = [0]
  for (const row of rows) starts.push((starts.at(-1) ?? 0) + row.columns.length)
  const bounded = (bound: number) => (Number.isFinite(bound) ? bound : Math.sign(bound) * infinity)
  return {
    numCols: costs.length,
    numRows: rows.length,
    offset: constant,
    colCost: costs,
    colLower: costs.map(() => 0),
    colUpper: costs.map(() => 1),
    rowLower: rows.map((row) => bounded(row.least)),
    rowUpper: rows.map((row) => bounded(row.most)),
    integrality: costs.map((_, i) => (i < whole ? integer : continuous)),
    matrix: {
      format: 'csr' as const,
      numRows: rows.length,
      numCols: costs.length,
      starts,
      indices: rows.flatMap((row) => [...row.columns]),
      values: rows.flatMap((row) => [...row.factors]),
    },
  }
}
