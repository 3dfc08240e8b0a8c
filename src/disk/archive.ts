import { createHash } from 'node:crypto'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { readJson } from '@/core/json'
import { ok, refuse, type Result } from '@/core/result'
import { nextEntry } from './zip'

/** The format of an export, and its newest version. */
export const archiveFormat = 'salt-shelf/export'
export const archiveVersion = 1

/** What is in an export, and what it has to amount to. */
export interface Manifest {
  readonly format: typeof archiveFormat
  readonly formatVersion: number
  readonly madeAt: string
  /** The newest change of the tables it was made on. */
  readonly tablesAt: string
  /** Rows by table, in the order in which they are put back. */
  readonly tables: Readonly<Record<string, number>>
  /** Every other entry: its size and the digest of what is in it. */
  readonly entries: readonly { readonly name: string; readonly bytes: number; readonly sha256: string }[]
}

/** What is read of an export at most. */
export const archiveLimits = { entries: 200_000, unpacked: 8_000_000_000, entry: 400_000_000 } as const

/** An export that was opened and found whole. */
export interface Archive {
  readonly manifest: Manifest
  /** The bytes of an entry. */
  readonly read: (name: string) => Promise<Buffer>
  readonly close: () => void
}

/**
 * Opens an export and looks at all of it: its list, the manifest, the size and digest of every entry. Refuses what is no
 * ZIP, truncated, too large, of a newer format, with entries that climb out, are there twice, are missing or changed; nothing
 * is unpacked to the disk. Linear in its bytes, one entry in memory at a time.
 */
export async function openArchive(path: string, name: string): Promise<Result<Archive>> {
  let zip: ZipFile
  try {
    zip = await opened(path)
  } catch {
    return refuse('damaged', 'It cannot be opened: it is no ZIP, or its end is missing.', name)
  }
  const checked = await checkAll(zip, name)
  if (!checked.ok) zip.close()
  return checked
}

async function checkAll(zip: ZipFile, name: string): Promise<Result<Archive>> {
  const listed = await list(zip, name)
  if (!listed.ok) return listed
  const entries = listed.value
  const read = async (entry: string): Promise<Buffer> => {
    const found = entries.get(entry)
    if (!found) throw new Error(`there is no ${entry} in ${name}`)
    return contents(zip, found)
  }
  const manifest = await readManifest(entries, read, name)
  if (!manifest.ok) return manifest
  for (const { name: each, bytes, sha256 } of manifest.value.entries) {
    if (!entries.has(each)) return refuse('missing', `It lacks ${each}, which its list names.`, name)
    const there = await read(each).catch(() => null)
    if (there?.length !== bytes || createHash('sha256').update(there).digest('hex') !== sha256)
      return refuse(
        'damaged',
        `${each} is not what its list says: it was changed, or is damaged.`,
        `${name}: ${each}`,
      )
  }
  const known = new Set(['manifest.json', ...manifest.value.entries.map((one) => one.name)])
  const strange = [...entries.keys()].find((one) => !known.has(one))
  if (strange !== undefined) return refuse('strange', `${strange} is not on its list.`, `${name}: ${strange}`)
  return ok({ manifest: manifest.value, read, close: () => zip.close() })
}

/** The entries of a ZIP by their names, counted and weighed before any of them is unpacked. */
async function list(zip: ZipFile, name: string): Promise<Result<Map<string, Entry>>> {
  const found = new Map<string, Entry>()
  let unpacked = 0
  try {
    for (let entry = await nextEntry(zip); entry !== null; entry = await nextEntry(zip)) {
      if (found.has(entry.fileName))
        return refuse('twice', `${entry.fileName} is in it twice.`, `${name}: ${entry.fileName}`)
      found.set(entry.fileName, entry)
      unpacked += entry.uncompressedSize
      if (entry.isEncrypted()) return refuse('locked', 'It is locked by a password.', name)
      if (
        found.size > archiveLimits.entries ||
        unpacked > archiveLimits.unpacked ||
        entry.uncompressedSize > archiveLimits.entry
      )
        return refuse('too-large', 'It holds more than an export can.', name)
    }
  } catch (error) {
    const climbs = /invalid relative path|absolute path/.test(String(error))
    return climbs
      ? refuse('climbs-out', 'One of its names leads out of it: it was not made by Salt Shelf.', name)
      : refuse('damaged', 'Its list cannot be read: it is damaged or cut off.', name)
  }
  return ok(found)
}

async function readManifest(
  entries: ReadonlyMap<string, Entry>,
  read: (name: string) => Promise<Buffer>,
  name: string,
): Promise<Result<Manifest>> {
  const where = `${name}: manifest.json`
  if (!entries.has('manifest.json'))
    return refuse('not-export', 'This is a ZIP, but no export of Salt Shelf.', name)
  const bytes = await read('manifest.json').catch(() => null)
  const json = bytes
    ? readJson(new Uint8Array(bytes), where)
    : refuse('damaged', 'Its list cannot be read.', where)
  if (!json.ok) return json
  const given = json.value as Partial<Manifest> | null
  if (given?.format !== archiveFormat) return refuse('not-export', 'It is no export of Salt Shelf.', where)
  if (given.formatVersion !== archiveVersion)
    return refuse(
      'newer-format',
      `It is of format ${String(given.formatVersion)}; this reads ${archiveVersion}.`,
      where,
    )
  const { tables, entries: rest, madeAt, tablesAt } = given
  const isShaped =
    typeof tables === 'object' &&
    Object.values(tables).every((count) => Number.isInteger(count)) &&
    Array.isArray(rest) &&
    rest.every(
      ({ name: each, bytes: size, sha256 }) =>
        typeof each === 'string' && Number.isInteger(size) && typeof sha256 === 'string',
    ) &&
    typeof madeAt === 'string' &&
    typeof tablesAt === 'string'
  return isShaped ? ok(given as Manifest) : refuse('shape', 'Its list has not the shape of one.', where)
}

function opened(path: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(path, { lazyEntries: true, autoClose: false }, (error, zip) => {
      if (error) reject(error)
      else resolve(zip)
    })
  })
}

function contents(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) return reject(error)
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('error', reject)
      stream.on('end', () => resolve(Buffer.concat(parts)))
    })
  })
}
