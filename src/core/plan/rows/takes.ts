import { ok, refuse, type Result } from '../../result'
import { unkept } from '../../text'
import type { Value } from '../../vocabulary/values'

/** Accepts a text of some length. */
export function takesText(value: unknown, longest: number, id: string): Result<string> {
  if (typeof value !== 'string') return refuse('outside', 'This row takes a text.', id)
  if (unkept.test(value)) return refuse('outside', 'This text holds characters that cannot be kept.', id)
  if (value.length === 0) return refuse('outside', 'This text may not be empty.', id)
  if (value.length > longest)
    return refuse('outside', `This text has ${value.length} characters; ${longest} fit.`, id)
  return ok(value)
}

/** Accepts one of a few words. */
export function takesOneOf(known: readonly string[], value: unknown, id: string): Result<Value> {
  const found = known.find((one) => one === value)
  return found === undefined ? refuse('outside', `This row takes ${known.join(', ')}.`, id) : ok(found)
}

/** Accepts true or false. */
export function takesTruth(value: unknown, id: string): Result<Value> {
  return typeof value === 'boolean' ? ok(value) : refuse('outside', 'This row is true or false.', id)
}
