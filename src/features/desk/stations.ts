import type { Finding } from '@/core/checks/finding'
import type { Plan } from '@/core/plan/plan'

/** A place on the route: its address within the plan, its name, and where it stands. */
interface Station {
  readonly path: string
  readonly name: string
  readonly stand: (findings: readonly Finding[], plan: Plan) => string
}

/** The stations built so far, in the order plans are worked. */
export const stations: readonly Station[] = [
  { path: 'foundation', name: 'Foundation', stand: (_: readonly Finding[], plan: Plan) => workOf(plan) },
  {
    path: 'controls',
    name: 'Controls',
    stand: (findings: readonly Finding[]) => standOf(findings, (row) => row.startsWith('key/')),
  },
  {
    path: 'focus',
    name: 'Focus',
    stand: (findings: readonly Finding[]) => standOf(findings, (row) => /^(base|bank)\/.*focus\./.test(row)),
  },
  {
    path: 'menus',
    name: 'Menus',
    stand: (findings: readonly Finding[]) => standOf(findings, inMenus),
  },
  {
    path: 'banks',
    name: 'Banks',
    stand: (findings: readonly Finding[]) =>
      standOf(findings, (row) => !row.startsWith('key/') && !inMenus(row)),
  },
  { path: 'try', name: 'Try it', stand: () => 'press the keys' },
  { path: 'sheets', name: 'Sheets', stand: () => 'pocket card' },
  { path: 'carry', name: 'Carry', stand: () => 'to a body' },
]

/** Whether a row stands in the function menus or the own menu. */
export function inMenus(row: string): boolean {
  return row.startsWith('grid/') || row.startsWith('own/')
}

function workOf(plan: Plan): string {
  const needs = Object.keys(plan.rows).filter((row) => row.startsWith('need/')).length
  return needs === 0 ? 'say what you shoot' : `${needs} needs`
}

function standOf(findings: readonly Finding[], mine: (row: string) => boolean): string {
  const count = (severity: Finding['severity']) =>
    findings.filter((one) => one.severity === severity && mine(one.row)).length
  const [blocks, trips] = [count('blocks'), count('trips')]
  if (blocks > 0) return `${blocks} ${blocks === 1 ? 'block' : 'blocks'}`
  return trips > 0 ? `${trips} ${trips === 1 ? 'trip' : 'trips'}` : 'clean'
}
