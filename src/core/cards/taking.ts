import type { BodyModel } from '../model/types'
import { isSamePath, placeOf } from './path'

/** The largest configuration file that is taken in, in bytes: none is near it, and a film is far beyond. */
export const largestTaken = 64_000_000

/** What a file is taken in for: what is to be carried, a second save of the same body, the way back, what was saved after the load. */
export type TakenFor = 'source' | 'again' | 'before' | 'after'

/** A file somebody chose, before it is taken in. */
export interface ChosenFile {
  /** From the root of the card where that is known; else the name alone. */
  readonly path: string
  readonly bytes: number
  readonly digest: string
  /** By the card's clock, in milliseconds since 1970; null where it says none. */
  readonly savedAt: number | null
  /** What its own header says, where its format is known here. */
  readonly header: { readonly modelId: string; readonly serial: string; readonly firmware: string } | null
}

/** A file that is on the shelf already. */
export interface KinFile {
  readonly name: string
  readonly bytes: number
  readonly digest: string
  /** Tag of the body that saved it; null where nobody said. */
  readonly body: string | null
  readonly modelId: string | null
}

/** What is meant: of which body, for what, and what has been seen of it so far. */
export interface Meant {
  readonly for: TakenFor
  readonly body: {
    readonly tag: string
    readonly name: string
    readonly serial: string | null
    readonly model: BodyModel
    readonly folder: string | null
    readonly file: string | null
  }
  /** Digests of what this carry has taken in or written before. */
  readonly earlier: Partial<Readonly<Record<'source' | 'before' | 'written', string>>>
  /** When the act that it has to come after was ticked, in milliseconds since 1970; null where there is none. */
  readonly notBefore: number | null
  readonly shelf: readonly KinFile[]
}

/** One thing that was looked at: fine, to be looked at, or certainly not what is meant. */
export interface Seen {
  readonly about: string
  readonly verdict: 'fine' | 'look' | 'stop'
  readonly words: string
}

/** Looks whether a chosen file is what is meant: its format, name, folder, size, time, and whether it is known already. */
export function judgeTaken(file: ChosenFile, meant: Meant): Seen[] {
  return [
    ...sizeSeen(file, meant),
    ...formatSeen(file, meant),
    ...nameSeen(file, meant),
    ...knownSeen(file, meant),
    ...timeSeen(file, meant),
  ]
}

/** Whether nothing speaks for certain against it. */
export function mayBeTaken(seen: readonly Seen[]): boolean {
  return seen.every(({ verdict }) => verdict !== 'stop')
}

const fine = (about: string, words: string): Seen => ({ about, verdict: 'fine', words })
const look = (about: string, words: string): Seen => ({ about, verdict: 'look', words })
const stop = (about: string, words: string): Seen => ({ about, verdict: 'stop', words })

function sizeSeen({ bytes }: ChosenFile, { body, shelf }: Meant): Seen[] {
  if (bytes === 0) return [stop('Size', 'It is empty: the card was perhaps taken out while it was written.')]
  if (bytes > largestTaken)
    return [
      stop(
        'Size',
        `It has ${inBytes(bytes)}: no configuration file is that large. At most ${inBytes(largestTaken)} are taken.`,
      ),
    ]
  const kin = shelf.filter((one) => one.body === body.tag || one.modelId === body.model.id)
  const alike = shelf.filter(({ modelId }) => body.model.lookAlikes.some(({ model }) => model === modelId))
  if (alike.some((one) => one.bytes === bytes) && kin.length > 0 && !kin.some((one) => one.bytes === bytes))
    return [look('Size', `${inBytes(bytes)}, as files of a look-alike have it and none of this model.`)]
  if (kin.length === 0) return [fine('Size', `${inBytes(bytes)}; the first file of its kind here.`)]
  const [least, most] = [Math.min(...kin.map((one) => one.bytes)), Math.max(...kin.map((one) => one.bytes))]
  return bytes >= least * 0.75 && bytes <= most * 1.25
    ? [fine('Size', `${inBytes(bytes)}, like its kin.`)]
    : [
        look(
          'Size',
          `${inBytes(bytes)}; files of this model have had ${least === most ? inBytes(least) : `${inBytes(least)} to ${inBytes(most)}`}.`,
        ),
      ]
}

function formatSeen({ header }: ChosenFile, { body }: Meant): Seen[] {
  if (header === null)
    return [fine('Format', 'Not known here: it is kept as it is, byte for byte, and never changed.')]
  const alike = body.model.lookAlikes.find(({ model }) => model === header.modelId)
  if (alike) return [stop('Format', `It was saved by a look-alike of ${body.name}. ${alike.tellApart}`)]
  if (header.modelId !== body.model.id)
    return [stop('Format', `It was saved by a ${header.modelId}; ${body.name} is a ${body.model.name}.`)]
  if (body.serial !== null && header.serial !== body.serial)
    return [
      stop(
        'Serial number',
        `It was saved by serial number ${header.serial}; ${body.name} has ${body.serial}.`,
      ),
    ]
  return [
    fine('Format', `Of a ${body.model.name}, serial number ${header.serial}, firmware ${header.firmware}.`),
  ]
}

function nameSeen({ path }: ChosenFile, { body, shelf }: Meant): Seen[] {
  const { folder, name } = placeOf(path)
  const wanted = body.folder ?? body.model.cardFile.folder
  const folders =
    folder === ''
      ? []
      : isSamePath(folder, wanted) || folder.toLowerCase().endsWith(`/${wanted.toLowerCase()}`)
        ? [fine('Folder', folder)]
        : [look('Folder', `It lay in ${folder}; files of ${body.name} lie in ${wanted}.`)]
  const endings = new Set(shelf.filter((one) => one.body === body.tag).map((one) => endingOf(one.name)))
  if (body.file !== null && !isSamePath(body.file, name))
    return [
      ...folders,
      look('Name', `It is called ${name}; the file of ${body.name} is called ${body.file}.`),
    ]
  if (endings.size > 0 && !endings.has(endingOf(name)))
    return [
      ...folders,
      look('Name', `It is called ${name}; those of ${body.name} end in ${[...endings].join(', ')}.`),
    ]
  return [...folders, fine('Name', name)]
}

function knownSeen({ digest }: ChosenFile, meant: Meant): Seen[] {
  const { body, earlier, shelf } = meant
  const known = shelf.find((one) => one.digest === digest)
  if (meant.for === 'after' && digest === earlier.before)
    return [
      stop(
        'Known',
        'It is, byte for byte, the file that was saved before the load. Save once more on the body, and take that one.',
      ),
    ]
  if (meant.for === 'after' && digest === (earlier.written ?? earlier.source))
    return [
      stop(
        'Known',
        `It is, byte for byte, the file that was written to the card: ${body.name} has not saved it. Save on the body, and take that one.`,
      ),
    ]
  if (meant.for === 'again' && digest === earlier.source)
    return [
      look(
        'Known',
        'It is the first save, byte for byte: this camera writes neither clock nor counter into it, or it is the same file once more.',
      ),
    ]
  if (known && known.body !== null && known.body !== body.tag)
    return [look('Known', `These very bytes are on the shelf as a file of ${known.body} (${known.name}).`)]
  if (known) return [fine('Known', `On the shelf already, as ${known.name}.`)]
  return [fine('Known', 'New here.')]
}

function timeSeen({ savedAt }: ChosenFile, { notBefore }: Meant): Seen[] {
  if (savedAt === null || notBefore === null || savedAt >= notBefore) return []
  const minutes = Math.ceil((notBefore - savedAt) / 60_000)
  return [
    look(
      'Time',
      `By the card’s clock it was saved ${minutes === 1 ? 'a minute' : `${minutes} minutes`} before the act it should come after. Clocks of cameras are off at times: look.`,
    ),
  ]
}

function endingOf(name: string): string {
  const at = name.lastIndexOf('.')
  return at < 0 ? 'no ending' : name.slice(at).toUpperCase()
}

/** A number of bytes as people read it. */
export function inBytes(bytes: number): string {
  if (bytes < 10_000) return bytes === 1 ? '1 byte' : `${bytes} bytes`
  if (bytes < 10_000_000) return `${Math.round(bytes / 1000)} kB`
  return bytes < 10_000_000_000
    ? `${Math.round(bytes / 1_000_000)} MB`
    : `${Math.round(bytes / 1_000_000_000)} GB`
}
