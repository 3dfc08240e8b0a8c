import { checkValue, fieldValue, ladderSteps } from '../model/domain'
import type { Domain, Setting } from '../model/types'
import type { RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import type { ByteReader, ByteWriter } from './bytes'

/**
 * Writes one value by its domain: choice and ladder as the position in the domain (u16), toggle as 0 or 1 (u8),
 * number as f64, subset as one bit a member (u32, first member lowest), text, region and point as UTF-8 behind a u16 count, record
 * field by field.
 */
export function writeValue(writer: ByteWriter, domain: Domain, value: Value): void {
  switch (domain.kind) {
    case 'choice':
      return writer.u16(domain.values.findIndex((choice) => choice.id === value))
    case 'ladder':
      return writer.u16(ladderSteps(domain).findIndex((step) => step.mark === value))
    case 'toggle':
      return writer.u8(value === true ? 1 : 0)
    case 'number':
      return writer.f64(Number(value))
    case 'subset': {
      const members = value as readonly string[]
      return writer.u32(
        domain.values.reduce((bits, choice, i) => bits + (members.includes(choice.id) ? 2 ** i : 0), 0),
      )
    }
    case 'text':
    case 'region':
    case 'point':
      return writer.text(String(value))
    case 'record': {
      const fields = value as readonly string[]
      return domain.fields.forEach((field, i) =>
        writeValue(writer, field.domain, fieldValue(field.domain, fields[i] ?? '')),
      )
    }
  }
}

/** Reads what `writeValue` wrote; a position that the domain does not have is a fault with its offset. */
export function readValue(reader: ByteReader, domain: Domain): Value {
  switch (domain.kind) {
    case 'choice':
      return member(reader, domain.values, reader.u16()).id
    case 'ladder':
      return member(reader, ladderSteps(domain), reader.u16()).mark
    case 'toggle': {
      const bit = reader.u8()
      if (bit > 1) throw reader.fault('a toggle that is neither on nor off')
      return bit === 1
    }
    case 'number': {
      const number = reader.f64()
      if (!Number.isFinite(number)) throw reader.fault('a number that is no number')
      return number
    }
    case 'subset': {
      const bits = reader.u32()
      if (bits >= 2 ** domain.values.length) throw reader.fault('a list with members that do not exist')
      return domain.values.filter((_, i) => Math.floor(bits / 2 ** i) % 2 === 1).map((choice) => choice.id)
    }
    case 'text':
    case 'region':
    case 'point':
      return reader.text()
    case 'record':
      return domain.fields.map((field) => String(readValue(reader, field.domain)))
  }
}

/** The next value of a setting; a fault where it lies outside its domain. */
export function checkedValue(reader: ByteReader, setting: Setting): Value {
  const value = readValue(reader, setting.domain)
  const checked = checkValue(setting.domain, value, setting.id)
  if (!checked.ok) throw reader.fault(`${setting.label}: ${checked.refusal.message}`)
  return checked.value
}

/** Stands in a file where there is no function, or no line. */
export const nothingThere = 0xffff

/** Writes what stands in a cell or line, as its position among what may stand there. */
export function writeLine(writer: ByteWriter, permitted: readonly string[], value: Value | undefined): void {
  const index = permitted.indexOf(String(value))
  writer.u16(index < 0 ? nothingThere : index)
}

/** Reads what `writeLine` wrote into a row; a cell without anything is left out, or (with `empty`) says so. */
export function readLine(
  reader: ByteReader,
  permitted: readonly string[],
  row: RowId,
  rows: Record<RowId, Value>,
  empty?: string,
): void {
  const index = reader.u16()
  if (index !== nothingThere) rows[row] = member(reader, permitted, index)
  else if (empty !== undefined) rows[row] = empty
}

function member<T>(reader: ByteReader, list: readonly T[], index: number): T {
  const found = list[index]
  if (found === undefined) throw reader.fault(`value number ${index} of ${list.length}`)
  return found
}
