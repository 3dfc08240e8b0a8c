import { ValidationError, type Schema } from 'yup'
import { readJson } from '../json'
import { ok, refuse, type Refusal, type Result } from '../result'
import { asWrittenNow } from './former'
import { faultsOf } from './faults/faults'
import { bodyModelSchema, lensModelSchema } from './schema/schema'
import type { BodyModel, LensModel } from './types'

/** A refused definition: the first fault as the refusal, and every fault found. */
export type ParseResult<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly refusal: Refusal; readonly faults: readonly Refusal[] }

/**
 * Reads a body model file. Refuses, listing every fault at once with its path: text that is not JSON, a wrong
 * shape, a later format, and a well-formed file that contradicts itself (see `faultsOf`).
 */
export function parseModel(bytes: Uint8Array, name: string): ParseResult<BodyModel> {
  const shaped = shapedAs<BodyModel>(bodyModelSchema, bytes, name)
  if (!shaped.ok) return shaped
  const model = asWrittenNow(shaped.value)
  return withFaults(model, faultsOf(model), name)
}

/** Reads a lens file; refuses like `parseModel`. */
export function parseLens(bytes: Uint8Array, name: string): ParseResult<LensModel> {
  return shapedAs<LensModel>(lensModelSchema, bytes, name)
}

function shapedAs<T>(schema: Schema, bytes: Uint8Array, name: string): ParseResult<T> {
  const json: Result<unknown> = readJson(bytes, name)
  if (!json.ok) return { ...json, faults: [json.refusal] }
  try {
    const value = schema.validateSync(json.value, { abortEarly: false, strict: true }) as T
    return { ok: true, value }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const inner = error.inner.length > 0 ? error.inner : [error]
    return refusedWith(inner.map((one) => shapeFault(one, name)))
  }
}

function shapeFault(error: ValidationError, name: string): Refusal {
  const path = error.path === undefined || error.path === '' ? 'the file' : error.path
  const message = error.errors[0]?.replace(/^this /, '') ?? 'has the wrong shape'
  return {
    code: 'shape',
    message: message.startsWith(path) ? message : `${path} ${message}`,
    where: `${name}: ${path}`,
  }
}

function withFaults<T>(value: T, faults: readonly Refusal[], name: string): ParseResult<T> {
  if (faults.length === 0) return ok(value) as ParseResult<T>
  return refusedWith(faults.map((fault) => ({ ...fault, where: `${name}: ${fault.where ?? ''}` })))
}

function refusedWith<T>(faults: readonly Refusal[]): ParseResult<T> {
  const first = faults[0] ?? { code: 'shape', message: 'The file has the wrong shape.' }
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''
  const refused = refuse(first.code, first.message + more, first.where)
  return refused.ok ? refused : { ...refused, faults }
}
