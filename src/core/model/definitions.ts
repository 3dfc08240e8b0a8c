import type { Refusal, Result } from '../result'
import { parseLens, parseModel, type ParseResult } from './parse'
import type { BodyModel, LensModel } from './types'

/** A definition file as it was found: its bytes, or why it could not be read. */
export interface FoundFile {
  readonly name: string
  readonly read: Result<Uint8Array>
}

/** Definitions ready for use, and every fault of those that could not be used. */
export interface Definitions {
  readonly models: readonly BodyModel[]
  readonly lenses: readonly LensModel[]
  readonly faults: readonly Refusal[]
}

/** Parses model and lens files; a bad file becomes faults, the others are still used. A second file with an id is a fault. */
export function collectDefinitions(models: readonly FoundFile[], lenses: readonly FoundFile[]): Definitions {
  const bodies = parsedAll(models, parseModel)
  const glass = parsedAll(lenses, parseLens)
  return { models: bodies.values, lenses: glass.values, faults: [...bodies.faults, ...glass.faults] }
}

function parsedAll<T extends { readonly id: string }>(
  files: readonly FoundFile[],
  parse: (bytes: Uint8Array, name: string) => ParseResult<T>,
): { values: T[]; faults: Refusal[] } {
  const values: T[] = []
  const faults: Refusal[] = []
  for (const { name, read } of files) {
    if (!read.ok) {
      faults.push(read.refusal)
      continue
    }
    const parsed = parse(read.value, name)
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
