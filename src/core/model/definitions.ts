import type { Refusal } from '../result'
import { parseLens, parseModel, type ParseResult } from './parse'
import type { BodyModel, LensModel } from './types'

/** A definition file as it was found. */
export interface NamedBytes {
  readonly name: string
  readonly bytes: Uint8Array
}

/** Definitions ready for use, and every fault of those that could not be used. */
export interface Definitions {
  readonly models: readonly BodyModel[]
  readonly lenses: readonly LensModel[]
  readonly faults: readonly Refusal[]
}

/** Parses model and lens files; a bad file becomes faults, the others are still used. A second file with an id is a fault. */
export function collectDefinitions(
  models: readonly NamedBytes[],
  lenses: readonly NamedBytes[],
): Definitions {
  const bodies = parsedAll(models, parseModel)
  const glass = parsedAll(lenses, parseLens)
  return { models: bodies.values, lenses: glass.values, faults: [...bodies.faults, ...glass.faults] }
}

function parsedAll<T extends { readonly id: string }>(
  files: readonly NamedBytes[],
  parse: (bytes: Uint8Array, name: string) => ParseResult<T>,
): { values: T[]; faults: Refusal[] } {
  const values: T[] = []
  const faults: Refusal[] = []
  for (const { name, bytes } of files) {
    const parsed = parse(bytes, name)
    if (!parsed.ok) faults.push(...parsed.faults)
    else if (values.some((one) => one.id === parsed.value.id)) {
      faults.push({
        code: 'duplicate',
        message: `Another file has the id ${parsed.value.id} already.`,
        where: `${name}: id`,
      })
    } else values.push(parsed.value)
  }
  return { values, faults }
}
