import type { BodyModel, LensModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { contextsOf } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import type { Check, CheckInput, Finding, Severity } from './finding'
import { deadKeys, displacedFunctions, doubledFunctions, inertKeys } from './keys'
import { forcedValues, hazardousValues, motionShutter, unavailableValues } from './values'

/** The table of checks; adding one is adding a row with its test. */
export const checks: readonly Check[] = [
  deadKeys,
  inertKeys,
  displacedFunctions,
  doubledFunctions,
  unavailableValues,
  hazardousValues,
  forcedValues,
  motionShutter,
]

/** Every finding of every check on both sides, worst first. Linear in contexts × (settings + addresses). */
export function runChecks(model: BodyModel, plan: Plan, lenses: readonly LensModel[]): Finding[] {
  const findings = model.sides.flatMap((side) => {
    const situated = contextsOf(model, plan, lenses, side).map((one) => ({
      ...one,
      resolution: resolve(model, plan, one.context),
    }))
    const input: CheckInput = { model, plan, lenses, side, situated }
    return checks.flatMap((check) => check.run(input))
  })
  return findings.sort((a, b) => order[a.severity] - order[b.severity])
}

const order: Record<Severity, number> = { blocks: 0, trips: 1, tidies: 2 }
