import fc from 'fast-check'
import type { BodyModel } from '@/core/model/types'

/** Something that holds for every case of a model: tried on some in every test run, on as many as there is time for in a deep one. */
export interface DeepProperty {
  readonly name: string
  /** How many cases of a model a test run tries. */
  readonly few: number
  readonly of: (model: BodyModel) => fc.IProperty<unknown>
}

/** A property of cases of a model; `holds` throws where it does not. */
export function property<Case>(
  name: string,
  few: number,
  casesOf: (model: BodyModel) => fc.Arbitrary<Case>,
  holds: (model: BodyModel, one: Case) => void,
): DeepProperty {
  return {
    name,
    few,
    of: (model) => fc.property(casesOf(model), (one) => holds(model, one)),
  }
}

/** Throws, with what was looked at, where something is not as it should be. */
export function agree(what: string, is: unknown, should: unknown): void {
  const [one, other] = [is, should].map((value) => JSON.stringify(value))
  if (one !== other) throw new Error(`${what}: ${String(one)}, not ${String(other)}`)
}
