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

/** Accepts a number from one to another. */
export function takesNumber(from: number, to: number, value: unknown, id: string, unit = ''): Result<number> {
  return typeof value === 'number' && value >= from && value <= to
    ? ok(value)
    : refuse(
        'outside',
        `This row takes a number${unit === '' ? '' : ` of ${unit}`} from ${from} to ${to}.`,
        id,
      )
}

/** Accepts some of a few words, in their order; none where that is allowed. */
export function takesSome(
  known: readonly string[],
  atLeast: 0 | 1,
  value: unknown,
  id: string,
): Result<Value> {
  const all = Array.isArray(value) ? (value as unknown[]) : null
  const inOrder = known.filter((one) => all?.includes(one))
  return all &&
    all.length >= atLeast &&
    inOrder.length === all.length &&
    inOrder.every((one, i) => one === all[i])
    ? ok(inOrder)
    : refuse('outside', `This row takes a list of ${known.join(', ')}, in that order.`, id)
}
