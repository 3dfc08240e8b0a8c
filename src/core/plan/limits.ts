import { keptByObject } from '../memoize'
import type { Rows } from './rows'
import { ok, refuse, type Result } from '../result'
import type { Limits } from '../sync/kind'
import type { Change } from '../sync/step'
import { unkept } from '../text'
import type { Value } from '../vocabulary/values'

/**
 * How large a plan and its steps may grow: the same for editing, saving, exporting and taking in. The fullest plan of a
 * shipped model has some 1 500 rows; with a reason of full length beside each it takes half of these bytes.
 */
export const planLimits: Limits = {
  rows: 10_000,
  bytes: 1_500_000,
  changesInStep: 2000,
  bytesInStep: 600_000,
  stepsInSave: 200,
  bytesInSave: 700_000,
}

/** The largest plan file that is written or read: a plan as large as plans may grow fits, with all its line breaks. */
export const planFileBytes = 6_000_000

/** A list has at most this many members: as many as a model may have settings. */
const longestList = 400

/** A value of some row, from outside. Refuses what no row holds: objects, null, endless lists, text that cannot be kept. */
export function readValue(input: unknown, where?: string): Result<Value> {
  if (typeof input === 'boolean' || Number.isFinite(input)) return ok(input as Value)
  if (typeof input === 'string') return unkept.test(input) ? unkeepable(where) : ok(input)
  const isList = Array.isArray(input) && input.every((member) => typeof member === 'string')
  if (!isList)
    return refuse('shape', 'A value is a text, a number, true or false, or a list of texts.', where)
  if (input.length > longestList)
    return refuse('shape', `A list has at most ${longestList} members; this has ${input.length}.`, where)
  return input.some((member) => unkept.test(member)) ? unkeepable(where) : ok(input)
}

/** Refuses rows that are more, or more bytes, than a plan may have. */
export function sizeOf(rows: Rows): Result<Size> {
  const size = sizes.get(rows) ?? measure(rows)
  sizes.set(rows, size)
  return within(size)
}

/** The same for rows that came of others by these changes: only what changed is measured. */
export function grown(before: Rows, after: Rows, changes: readonly Change[]): Result<Size> {
  const old = sizes.get(before) ?? measure(before)
  let { count, bytes } = old
  for (const { row } of changes) {
    const [was, is] = [bytesOf(row, before[row]), bytesOf(row, after[row])]
    count += (is > 0 ? 1 : 0) - (was > 0 ? 1 : 0)
    bytes += is - was
  }
  const size = { count, bytes }
  sizes.set(before, old)
  sizes.set(after, size)
  const isSmaller = bytes <= old.bytes && count <= old.count
  return isSmaller ? ok(size) : within(size)
}

interface Size {
  readonly count: number
  readonly bytes: number
}

const sizes = keptByObject<Rows, Size>()

function measure(rows: Rows): Size {
  const entries = Object.entries(rows)
  return { count: entries.length, bytes: entries.reduce((sum, [row, value]) => sum + bytesOf(row, value), 0) }
}

/** Bytes of `"row":value,` as JSON; none for a row that is absent. */
function bytesOf(row: string, value: Value | undefined): number {
  if (value === undefined) return 0
  return utf8Length(row) + utf8Length(JSON.stringify(value)) + 4
}

function utf8Length(text: string): number {
  let length = text.length
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (code > 0x7ff && (code < 0xd800 || code > 0xdfff)) length += 2
    else if (code > 0x7f) length += 1
  }
  return length
}

function within(size: Size): Result<Size> {
  if (size.count > planLimits.rows)
    return refuse('too-many', `A plan has at most ${planLimits.rows} rows; this would have ${size.count}.`)
  if (size.bytes > planLimits.bytes)
    return refuse(
      'too-large',
      `A plan takes at most ${planLimits.bytes} bytes; this would take ${size.bytes}.`,
    )
  return ok(size)
}

function unkeepable(where?: string): Result<never> {
  return refuse('outside', 'This text holds characters that cannot be kept.', where)
}
