import { ladderSteps } from '../model/domain'
import type { Domain } from '../model/types'
import type { Value } from '../vocabulary/values'
import type { ByteReader, ByteWriter } from './bytes'

/**
 * Writes one value by its domain: choice and ladder as the position in the domain (u16), toggle as 0 or 1 (u8),
 * number as f64, subset as one bit a member (u32, first member lowest), text as UTF-8 behind a u16 count.
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
      return writer.text(String(value))
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
      return reader.text()
  }
}

function member<T>(reader: ByteReader, list: readonly T[], index: number): T {
  const found = list[index]
  if (found === undefined) throw reader.fault(`value number ${index} of ${list.length}`)
  return found
}
