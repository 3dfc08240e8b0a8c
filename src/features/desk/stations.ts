import type { Finding } from '@/core/checks/finding'
import type { BodyModel } from '@/core/model/types'
import { memoize } from '@/core/memoize'
import { idsOf, isNeedRow, situationOf, stationOf, type Rows, type RowStation } from '@/core/plan/rows'
import type { Plan } from '@/core/plan/plan'

/** A place on the route: its address within the plan, its name, and where it stands. */
interface Station {
  readonly path: string
  readonly name: string
  /** What it is for, in a sentence, and what to do there first. */
  readonly purpose: string
  /** Its page reads more from the server than the plan. */
  readonly readsMore?: true
  /** A few words; null where it is not known yet. */
  readonly stand: (
    findings: readonly Finding[] | null,
    of: { readonly model: BodyModel; readonly plan: Plan },
  ) => string | null
}

/** The stations built so far, in the order plans are worked. */
export const stations: readonly Station[] = [
  {
    path: 'foundation',
    name: 'Foundation',
    purpose: 'What you shoot, and how often you adjust what. Everything else is judged by it.',
    stand: (findings, { plan }) => problemsAt(findings, 'foundation') ?? workOf(plan),
  },
  {
    path: 'settings',
    name: 'Settings',
    purpose:
      'Every line of the camera’s menu, once: plan its value, leave it on purpose, or say that it is not in your work.',
    stand: standAt('settings'),
  },
  {
    path: 'controls',
    name: 'Controls',
    purpose: 'What every key and dial does. Click a key, choose a function, and see what it costs or saves.',
    stand: standAt('controls'),
  },
  {
    path: 'focus',
    name: 'Focus',
    purpose: 'What focuses when, with which key held. Choose a way to focus, then read the table.',
    stand: standAt('focus'),
  },
  {
    path: 'menus',
    name: 'Menus',
    purpose: 'What stands in the function menu and in your own menu: put there what has no key.',
    stand: standAt('menus'),
  },
  {
    path: 'banks',
    name: 'Banks',
    purpose: 'The settings stored under the mode dial. Start one from base, and vary only what must differ.',
    stand: standAt('banks'),
  },
  {
    path: 'try',
    name: 'Try it',
    purpose: 'A simulated body with your plan on it. Press its keys, and see what it does.',
    stand: () => 'press the keys',
  },
  {
    path: 'prove',
    name: 'Prove',
    purpose:
      'Ordered acts beside the camera: the first day, setting the plan, pressing every key, the days of work.',
    readsMore: true,
    stand: () => 'walk and test',
  },
  {
    path: 'sheets',
    name: 'Sheets',
    purpose:
      'Your plan on paper and in files: a card for the pocket, everything with its reasons, what differs from what.',
    readsMore: true,
    stand: () => 'on paper',
  },
  {
    path: 'carry',
    name: 'Carry',
    purpose: 'Brings the plan into a body, reads it back, and says what is left to do by hand.',
    readsMore: true,
    stand: () => 'to a body',
  },
]

/** The findings that are at home in a station: counted in its badge, listed in it. */
export function findingsAt(findings: readonly Finding[] | null, station: RowStation): Finding[] {
  return (findings ?? []).filter((finding) => finding.station === station)
}

function workOf(plan: Plan): string {
  const needs = idsOf(plan.rows).filter((row) => isNeedRow(row)).length
  return needs === 0 ? 'say what you shoot' : `${needs} needs`
}

/** Where a station stands whose problems and rows are its own. */
function standAt(station: RowStation): Station['stand'] {
  return (findings, { model, plan }) =>
    findings === null ? null : (problemsAt(findings, station) ?? workedStand(model, plan, station))
}

/** How many problems are at home in a station; null where there are none, or nothing is known yet. */
function problemsAt(findings: readonly Finding[] | null, station: RowStation): string | null {
  const mine = findingsAt(findings, station).filter(({ severity }) => severity !== 'tidies')
  return mine.length === 0 ? null : `${mine.length} ${mine.length === 1 ? 'problem' : 'problems'}`
}

function workedStand(model: BodyModel, plan: Plan, station: RowStation): string {
  if (!workedOn(model)(plan.rows).has(station)) return 'untouched'
  // Where nobody said what is shot, there was nothing to check against.
  return isWorkSaid(plan.rows) ? 'no problems' : 'not checked'
}

/** Whether anything is said of what is shot: a need, or a situation. */
const isWorkSaid = memoize((rows: Rows): boolean =>
  idsOf(rows).some((row) => isNeedRow(row) || situationOf(row) !== null),
)

/** The stations at which rows were set. */
const workedOn = memoize((model: BodyModel) =>
  memoize((rows: Rows): ReadonlySet<RowStation> => new Set(idsOf(rows).map((row) => stationOf(model, row)))),
)
