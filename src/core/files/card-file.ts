import type { Rows } from '../plan/rows'
import checksums from 'crc-32'
import type { BodyModel } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { ByteFault, ByteReader, ByteWriter } from './bytes'
import { unkept } from '../text'
import { readSections, sectionOrder, writeSections } from './card-sections'
import { digestBytes } from '../digest'

/** Who wrote a card file, and when. */
export interface CardHeader {
  readonly model: { readonly id: string; readonly version: number }
  /** File-format number of the model: a body reads only its own. */
  readonly formatNumber: number
  readonly firmware: string
  readonly serial: string
  /** Whole seconds since 1970, UTC. */
  readonly savedAtSeconds: number
}

/** A card file taken apart. */
export interface CardFile {
  readonly header: CardHeader
  /** The rows it carries: base cells, keys and registered slots; never local or physical ones. */
  readonly rows: Rows
}

/** Newest layout version; docs/formats/card-file.md gives every byte. */
export const cardLayoutVersion = 2

const magic = new TextEncoder().encode('SALTCARD')
const digestLength = 32
const sectionHead = 12
const largestCardFile = 1_000_000

/** The longest firmware or serial number that is read. */
const longestMark = 64

/** The last second of the year 9999. */
const latestTime = 253_402_300_799

/** Writes a card file for rows that `carriedRows` gave; the same input gives the same bytes. */
export function writeCardFile(model: BodyModel, file: CardFile): Uint8Array {
  const sections = [{ tag: 'HEAD', payload: writeHeader(file.header) }, ...writeSections(model, file.rows)]
  const writer = new ByteWriter()
  const total =
    16 + sections.reduce((sum, section) => sum + sectionHead + section.payload.length, 0) + digestLength
  writer.bytes(magic)
  writer.u16(cardLayoutVersion)
  writer.u16(sections.length)
  writer.u32(total)
  for (const { tag, payload } of sections) {
    writer.bytes(new TextEncoder().encode(tag))
    writer.u32(payload.length)
    writer.u32(checksums.buf(payload) >>> 0)
    writer.bytes(payload)
  }
  const before = writer.done()
  writer.bytes(digestBytes(before))
  return writer.done()
}

/**
 * Reads the header without the model: enough to say whose file this is. Refuses what is no card file, a later
 * layout, a size that lies, a section whose checksum fails, and a whole whose digest fails, with the byte offset.
 */
export function readCardHeader(bytes: Uint8Array, name: string): Result<CardHeader> {
  const parts = split(bytes, name)
  return parts.ok ? ok(parts.value.header) : parts
}

/** Reads a whole card file of `model`. Refuses as `readCardHeader`, and files of other models or definitions. */
export function readCardFile(model: BodyModel, bytes: Uint8Array, name: string): Result<CardFile> {
  const parts = split(bytes, name)
  if (!parts.ok) return parts
  const { header, sections } = parts.value
  if (header.model.id !== model.id) {
    return refuse(
      'other-model',
      `The file was written by a ${header.model.id}; this is a ${model.maker} ${model.name}.`,
      `${name}: HEAD`,
    )
  }
  if (header.formatNumber !== model.cardFile.formatNumber || header.model.version !== model.version) {
    const numbers = `${header.formatNumber}, definition ${header.model.version}`
    return refuse(
      'other-definition',
      `The file has format ${numbers}; this model reads ${model.cardFile.formatNumber}, definition ${model.version}.`,
      `${name}: HEAD`,
    )
  }
  return guarded(name, () => ({ header, rows: readSections(model, sections) }))
}

interface Parts {
  readonly header: CardHeader
  readonly sections: ReadonlyMap<string, ByteReader>
}

function split(bytes: Uint8Array, name: string): Result<Parts> {
  if (bytes.length === 0) return refuse('empty', 'The file is empty.', name)
  if (bytes.length > largestCardFile)
    return refuse('too-large', `A card file has at most ${largestCardFile} bytes.`, name)
  if (bytes.length < 16 + digestLength || !magic.every((byte, i) => bytes[i] === byte)) {
    return refuse('other-format', 'This is no Salt Shelf card file.', `${name}: byte 0`)
  }
  return guarded(name, () => {
    const reader = new ByteReader(bytes)
    reader.bytes(magic.length)
    const layout = reader.u16()
    if (layout !== cardLayoutVersion) {
      throw new ByteFault(`layout ${layout}, and this Salt Shelf reads layout ${cardLayoutVersion}`, 8)
    }
    const count = reader.u16()
    if (reader.u32() !== bytes.length) throw new ByteFault('a length that is not the length of the file', 12)
    const sections = readFrames(reader, bytes, count)
    if (reader.rest !== digestLength) throw reader.fault('bytes that belong to no section')
    const expected = digestBytes(bytes.subarray(0, bytes.length - digestLength))
    if (!reader.bytes(digestLength).every((byte, i) => byte === expected[i])) {
      throw new ByteFault('a digest that does not fit the contents', bytes.length - digestLength)
    }
    const head = sections.get('HEAD')
    if (!head) throw new ByteFault('no HEAD section', 16)
    return { header: readHeader(head), sections }
  })
}

function readFrames(reader: ByteReader, bytes: Uint8Array, count: number): Map<string, ByteReader> {
  const sections = new Map<string, ByteReader>()
  for (let i = 0; i < count; i++) {
    const offset = reader.offset
    const tag = String.fromCharCode(...reader.bytes(4))
    if (tag !== sectionOrder[i])
      throw new ByteFault(
        `section ${printable(tag)} where ${sectionOrder[i] ?? 'the end'} should stand`,
        offset,
      )
    const length = reader.u32()
    const checksum = reader.u32()
    const start = reader.offset
    const payload = reader.bytes(length)
    if (checksums.buf(payload) >>> 0 !== checksum)
      throw new ByteFault(`section ${tag} with a checksum that fails`, offset)
    sections.set(tag, new ByteReader(bytes.subarray(start, start + length), start))
  }
  return sections
}

/** What of a tag can be shown. */
function printable(tag: string): string {
  return tag.replace(/[^A-Z]/g, '?')
}

function writeHeader(header: CardHeader): Uint8Array {
  const writer = new ByteWriter()
  writer.text(header.model.id)
  writer.u16(header.model.version)
  writer.u16(header.formatNumber)
  writer.text(header.firmware)
  writer.text(header.serial)
  writer.f64(header.savedAtSeconds)
  return writer.done()
}

function readHeader(reader: ByteReader): CardHeader {
  const header = {
    model: { id: reader.text(), version: reader.u16() },
    formatNumber: reader.u16(),
    firmware: reader.text(),
    serial: reader.text(),
    savedAtSeconds: reader.f64(),
  }
  const { model, firmware, serial, savedAtSeconds } = header
  if (!/^[a-z][a-z0-9-]{0,60}$/.test(model.id)) throw reader.fault('a model that is no id')
  for (const [what, text] of [
    ['firmware', firmware],
    ['serial number', serial],
  ] as const)
    if (text.length > longestMark || unkept.test(text) || text.includes('\n'))
      throw reader.fault(`a ${what} of ${text.length} characters, or with some that cannot be shown`)
  if (!Number.isInteger(savedAtSeconds) || savedAtSeconds < 0 || savedAtSeconds > latestTime)
    throw reader.fault('a time that is none')
  if (reader.rest > 0) throw reader.fault('more bytes than a header has')
  return header
}

function guarded<T>(name: string, read: () => T): Result<T> {
  try {
    return ok(read())
  } catch (error) {
    if (!(error instanceof ByteFault)) throw error
    const code = error.message.startsWith('layout') ? 'newer-format' : 'damaged'
    const start = code === 'damaged' ? 'The file is damaged' : 'The file cannot be read here'
    return refuse(code, `${start}: it has ${error.message}.`, `${name}: byte ${error.offset}`)
  }
}
