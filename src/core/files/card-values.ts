import { checkValue, fieldValue, valuesOf } from '../model/domain'
import type { Domain, Setting } from '../model/types'
import { memoize } from '../memoize'
import type { Value } from '../vocabulary/values'
import type { ByteReader, ByteWriter } from './bytes'

/** How values of one domain stand in a file. */
export interface Codec {
  readonly write: (writer: ByteWriter, value: Value) => void
  /** Reads what `write` wrote; what the domain does not have is a fault with its offset. */
  readonly read: (reader: ByteReader) => Value
}

/** Stands in a file where there is no function, no line, or a value the domain does not have. */
export const nothingThere = 0xffff

/**
 * A domain's codec, made once: choice and ladder as the position in the domain (u16), toggle as 0 or 1 (u8), number as
 * f64, subset as one bit a member (u32, first member lowest), text, region and point as UTF-8 behind a u16 count, record
 * field by field.
 */
export const codecOf: (domain: Domain) => Codec = memoize(makeCodec)

function makeCodec(domain: Domain): Codec {
  switch (domain.kind) {
    case 'choice':
      return oneOf(domain.values.map((choice) => choice.id))
    case 'ladder':
      return oneOf((valuesOf(domain) ?? []).map(String))
    case 'toggle':
      return { write: (writer, value) => writer.u8(value === true ? 1 : 0), read: readToggle }
    case 'number':
      return { write: (writer, value) => writer.f64(Number(value)), read: readNumber }
    case 'subset':
      return someOf(domain.values.map((choice) => choice.id))
    case 'text':
    case 'region':
    case 'point':
      return { write: (writer, value) => writer.text(String(value)), read: (reader) => reader.text() }
    case 'record': {
      const fields = domain.fields.map((field) => ({ field, codec: codecOf(field.domain) }))
      return {
        write: (writer, value) =>
          fields.forEach(({ field, codec }, i) =>
            codec.write(writer, fieldValue(field.domain, (value as readonly string[])[i] ?? '')),
          ),
        read: (reader) => fields.map(({ codec }) => String(codec.read(reader))),
      }
    }
  }
}

/** One of a list, by its position in it. */
export function oneOf(list: readonly string[]): Codec {
  const places = new Map<unknown, number>(list.map((one, i) => [one, i]))
  return {
    write: (writer, value) => writer.u16(places.get(value) ?? nothingThere),
    read: (reader) => {
      const at = reader.u16()
      const found = list[at]
      if (found === undefined) throw reader.fault(`value number ${at} of ${list.length}`)
      return found
    },
  }
}

function someOf(list: readonly string[]): Codec {
  return {
    write: (writer, value) => {
      const members = value as readonly string[]
      writer.u32(list.reduce((bits, one, i) => bits + (members.includes(one) ? 2 ** i : 0), 0))
    },
    read: (reader) => {
      const bits = reader.u32()
      if (bits >= 2 ** list.length) throw reader.fault('a list with members that do not exist')
      return list.filter((_, i) => Math.floor(bits / 2 ** i) % 2 === 1)
    },
  }
}

function readToggle(reader: ByteReader): boolean {
  const bit = reader.u8()
  if (bit > 1) throw reader.fault('a toggle that is neither on nor off')
  return bit === 1
}

function readNumber(reader: ByteReader): number {
  const number = reader.f64()
  if (!Number.isFinite(number)) throw reader.fault('a number that is no number')
  return number
}

/** A setting's codec; what it reads lies inside the domain, or is a fault that names the setting. */
export function settingCodec(setting: Setting): Codec {
  const codec = codecOf(setting.domain)
  const { kind } = setting.domain
  if (kind === 'choice' || kind === 'ladder' || kind === 'toggle') return codec
  return {
    write: codec.write,
    read: (reader) => {
      const checked = checkValue(setting.domain, codec.read(reader), setting.id)
      if (!checked.ok) throw reader.fault(`${setting.label}: ${checked.refusal.message}`)
      return checked.value
    },
  }
}
