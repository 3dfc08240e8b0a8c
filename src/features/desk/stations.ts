import type { Finding } from '@/core/checks/finding'
import type { BodyModel } from '@/core/model/types'
import { memoize } from '@/core/memoize'
import { idsOf, isNeedRow, stationOf, type Rows, type RowStation } from '@/core/plan/rows'
import type { Plan } from '@/core/plan/plan'

/** A place on the route: its address within the plan, its name, and where it stands. */
interface Station {
  readonly path: string
  readonly name: string
  /** A few words; null where it is not known yet. */
  readonly stand: (
    findings: readonly Finding[] | null,
    of: { readonly model: BodyModel; readonly plan: Plan },
  ) => string | null
}

/** The stations built so far, in the order plans are worked. */
export const stations: readonly Station[] = [
  { path: 'foundation', name: 'Foundation', stand: (_, { plan }) => workOf(plan) },
  { path: 'controls', name: 'Controls', stand: (findings, of) => standOf(findings, of, 'controls') },
  { path: 'focus', name: 'Focus', stand: (findings, of) => standOf(findings, of, 'focus') },
  { path: 'menus', name: 'Menus', stand: (findings, of) => standOf(findings, of, 'menus') },
  { path: 'banks', name: 'Banks', stand: (findings, of) => standOf(findings, of, 'banks') },
  { path: 'try', name: 'Try it', stand: () => 'press the keys' },
  { path: 'sheets', name: 'Sheets', stand: () => 'pocket card' },
  { path: 'carry', name: 'Carry', stand: () => 'to a body' },
]

/** The findings that are at home in a station: counted in its badge, listed in it. */
export function findingsAt(findings: readonly Finding[] | null, station: RowStation): Finding[] {
  return (findings ?? []).filter((finding) => finding.station === station)
}

function workOf(plan: Plan): string {
  const needs = idsOf(plan.rows).filter((row) => isNeedRow(row)).length
  return needs === 0 ? 'say what you shoot' : `${needs} needs`
}

function standOf(
  findings: readonly Finding[] | null,
  { model, plan }: { model: BodyModel; plan: Plan },
  station: RowStation,
): string | null {
  if (findings === null) return null
  const mine = findingsAt(findings, station)
  const count = (severity: Finding['severity']) => mine.filter((one) => one.severity === severity).length
  const problems = count('blocks') + count('problem')
  if (problems > 0) return `${problems} ${problems === 1 ? 'problem' : 'problems'}`
  return workedOn(model)(plan.rows).has(station) ? 'no problems' : 'untouched'
}

/** The stations at which rows were set. */
const workedOn = memoize((model: BodyModel) =>
  memoize((rows: Rows): ReadonlySet<RowStation> => new Set(idsOf(rows).map((row) => stationOf(model, row)))),
)
