import { carriedRows, factoryMemory, localRows, readMemory, type Memory } from './memory'
import { readCardFile, writeCardFile } from '../files/card-file'
import { lackingIn, lackingWords } from '../plan/lacking'
import { readsFilesOf } from '../model/firmware'
import type { BodyModel } from '../model/types'
import { ok, refuse, type Result } from '../result'

/** A simulated body: what it remembers, and what is in it. */
export interface BodyState {
  readonly model: { readonly id: string; readonly version: number }
  readonly firmware: string
  readonly serial: string
  readonly memory: Memory
  /** Loaded from a card and not yet in force: a body takes it over when it restarts. */
  readonly pending: Memory | null
  /** The card in the first slot, or null for an empty slot. */
  readonly card: Card | null
  readonly batteryPercent: number
}

/** A memory card. */
export interface Card {
  readonly locked: boolean
  readonly freeBytes: number
  readonly files: Readonly<Record<string, Uint8Array>>
}

/** What can be done to a body. Times come from outside: a body has no clock of its own here. */
export type BodyEvent =
  | { readonly kind: 'save'; readonly file: string; readonly atSeconds: number }
  | { readonly kind: 'load'; readonly file: string }
  | { readonly kind: 'restart' }
  | { readonly kind: 'reset' }
  | { readonly kind: 'card'; readonly card: Card | null }
  | { readonly kind: 'copyToCard'; readonly file: string; readonly bytes: Uint8Array }

/** The body after an event, and what happened, in words. */
export interface Operated {
  readonly body: BodyState
  readonly log: string
}

/** Below this charge a body refuses to write or load configuration files. */
export const leastBatteryPercent = 15

/** A body as it comes out of the box. */
export function newBody(model: BodyModel, serial: string, firmware: string): BodyState {
  return {
    model: { id: model.id, version: model.version },
    firmware,
    serial,
    memory: factoryMemory(model),
    pending: null,
    card: { locked: false, freeBytes: 64_000_000_000, files: {} },
    batteryPercent: 80,
  }
}

/**
 * The body as another edition of its model describes it: what it remembers and that edition has stays, what is new there is
 * as delivered. The very same body where it stands on that edition, or is of another model.
 */
export function onEdition(model: BodyModel, body: BodyState): BodyState {
  if (body.model.id !== model.id || body.model.version === model.version) return body
  return {
    ...body,
    model: { id: model.id, version: model.version },
    memory: readMemory(model, body.memory),
    pending: body.pending && readMemory(model, body.pending),
  }
}

/** Steps the body through one event; refuses as the body would, leaving it as it was. Deterministic. */
export function operate(model: BodyModel, body: BodyState, event: BodyEvent): Result<Operated> {
  switch (event.kind) {
    case 'save':
      return save(model, body, event.file, event.atSeconds)
    case 'load':
      return load(model, body, event.file)
    case 'restart':
      return restart(body)
    case 'reset': {
      const memory = { ...factoryMemory(model), ...localRows(model, body.memory) }
      return done({ ...body, memory, pending: null }, 'Everything is as delivered; local settings stay.')
    }
    case 'card':
      return done(
        { ...body, card: event.card },
        event.card === null ? 'The card slot is empty.' : 'A card is in the slot.',
      )
    case 'copyToCard': {
      const card = writableCard(body, event.file, event.bytes.length)
      if (!card.ok) return card
      return done(
        { ...body, card: withFile(card.value, event.file, event.bytes) },
        `${event.file} is on the card.`,
      )
    }
  }
}

/** Whether the body has a card that takes `bytes` more; refuses with the reason: none, locked, full. */
export function writableCard(body: BodyState, file: string, bytes: number): Result<Card> {
  const place = `body ${body.serial}`
  if (body.card === null)
    return refuse('no-card', 'There is no card in the body. Put one in and try again.', place)
  if (body.card.locked)
    return refuse('card-locked', 'The card is locked. Slide its lock up, or take another card.', place)
  const room = body.card.freeBytes + (body.card.files[file]?.length ?? 0)
  if (room >= bytes) return ok(body.card)
  return refuse('card-full', `The card is full: ${bytes} bytes are needed, ${room} are free.`, place)
}

function save(model: BodyModel, body: BodyState, file: string, atSeconds: number): Result<Operated> {
  const charged = enoughBattery(body)
  if (!charged.ok) return charged
  const header = {
    model: body.model,
    formatNumber: model.cardFile.formatNumber,
    firmware: body.firmware,
    serial: body.serial,
    savedAtSeconds: atSeconds,
  }
  const bytes = writeCardFile(model, { header, rows: carriedRows(model, body.memory) })
  const card = writableCard(body, file, bytes.length)
  if (!card.ok) return card
  return done(
    { ...body, card: withFile(card.value, file, bytes) },
    `Saved to ${file}, ${bytes.length} bytes.`,
  )
}

function load(model: BodyModel, body: BodyState, file: string): Result<Operated> {
  const charged = enoughBattery(body)
  if (!charged.ok) return charged
  const place = `body ${body.serial}`
  if (body.card === null)
    return refuse('no-card', 'There is no card in the body. Put one in and try again.', place)
  const bytes = body.card.files[file]
  if (bytes === undefined) return refuse('no-file', `The card has no file ${file}.`, place)
  const read = readCardFile(model, bytes, file)
  if (!read.ok) return read
  if (!readsFilesOf(model, body.firmware, read.value.header.firmware)) {
    const pair = `Firmware ${body.firmware} does not read files of firmware ${read.value.header.firmware}.`
    return refuse('firmware', pair, `${place}, ${file}`)
  }
  // What a firmware does not have it does not take: the body keeps its own there.
  const lacking = lackingIn(model, read.value.rows, body.firmware)
  const own = Object.fromEntries(
    lacking.flatMap(({ row }) => (body.memory[row] === undefined ? [] : [[row, body.memory[row]]])),
  ) as Memory
  const strange = new Set<string>(lacking.map(({ row }) => row))
  const taken = Object.fromEntries(Object.entries(read.value.rows).filter(([row]) => !strange.has(row)))
  const pending = { ...taken, ...own, ...localRows(model, body.memory) }
  const left = lacking.length === 0 ? '' : ` Not taken: ${lackingWords(lacking)}.`
  return done({ ...body, pending }, `Read ${file}; it takes effect at the next restart.${left}`)
}

function restart(body: BodyState): Result<Operated> {
  if (body.pending === null) return done(body, 'Restarted; nothing was waiting.')
  return done(
    { ...body, memory: body.pending, pending: null },
    'Restarted; the loaded configuration is in force.',
  )
}

function enoughBattery(body: BodyState): Result<true> {
  if (body.batteryPercent >= leastBatteryPercent) return ok(true)
  const charge = `The battery has ${body.batteryPercent} %; the body wants ${leastBatteryPercent} % for this.`
  return refuse('battery', charge, `body ${body.serial}`)
}

function withFile(card: Card, file: string, bytes: Uint8Array): Card {
  const before = card.files[file]?.length ?? 0
  return {
    ...card,
    freeBytes: card.freeBytes + before - bytes.length,
    files: { ...card.files, [file]: bytes },
  }
}

function done(body: BodyState, log: string): Result<Operated> {
  return ok({ body, log })
}
