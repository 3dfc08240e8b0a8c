import { spawn } from 'node:child_process'
import { join } from 'node:path'
import yauzl, { type ZipFile } from 'yauzl'
import type { TypedLine } from '@/core/sheets/edit/take'
import { ok, refuse, type Result } from '@/core/result'
import { nextEntry } from './zip'

/** What is read of a workbook at most: its bytes, what they unpack to, its parts, the lines on its page, and for how long. */
export const workbookLimits = {
  bytes: 20_000_000,
  unpacked: 120_000_000,
  parts: 2_000,
  lines: 20_000,
  seconds: 40,
  megabytes: 320,
} as const

/** The lines of a workbook or a CSV that came back, and what was left unread of it, in words. */
export interface ReadWorkbook {
  readonly lines: readonly TypedLine[]
  readonly notes: readonly string[]
}

/**
 * Reads a workbook (XLSX) or a CSV that was written by a sheet and changed by somebody: in a process of its own with bounded
 * memory and time, after its parts were counted. Formulas, macros, links and pages of other things are not read, and said.
 */
export async function readWorkbook(bytes: Uint8Array, name: string): Promise<Result<ReadWorkbook>> {
  if (bytes.length > workbookLimits.bytes)
    return refuse('too-large', `${bytes.length} bytes; at most ${workbookLimits.bytes} are read.`, name)
  if (bytes.length === 0) return refuse('empty', 'The file is empty.', name)
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b
  if (!isZip && (bytes[0] === 0xd0 || bytes[0] === 0x25))
    return refuse('not-read', 'This is neither a workbook (.xlsx) nor a CSV. Save it as one of them.', name)
  const parts = isZip ? await partsOf(bytes, name) : ok<readonly string[]>([])
  if (!parts.ok) return parts
  const read = await inChild(bytes, name)
  return read.ok ? ok({ ...read.value, notes: [...notesOn(parts.value), ...read.value.notes] }) : read
}

function notesOn(parts: readonly string[]): string[] {
  return [
    ...(parts.some((part) => part.endsWith('vbaProject.bin'))
      ? ['Macros in it are not run and not read.']
      : []),
    ...(parts.some((part) => part.includes('externalLinks/'))
      ? ['Links to other files are not followed.']
      : []),
  ]
}

/** The names of the parts of a ZIP, counted and weighed by what its directory says before anything is unpacked. */
async function partsOf(bytes: Uint8Array, name: string): Promise<Result<readonly string[]>> {
  let zip: ZipFile
  try {
    zip = await opened(bytes)
  } catch {
    return refuse('damaged', 'The workbook is damaged: it cannot be unpacked.', name)
  }
  const found: string[] = []
  let unpacked = 0
  try {
    for (let entry = await nextEntry(zip); entry !== null; entry = await nextEntry(zip)) {
      found.push(entry.fileName)
      unpacked += entry.uncompressedSize
      if (found.length > workbookLimits.parts)
        return refuse('too-large', `It has more than ${workbookLimits.parts} parts.`, name)
      if (unpacked > workbookLimits.unpacked)
        return refuse(
          'too-large',
          `It unpacks to more than ${workbookLimits.unpacked / 1_000_000} MB: no sheet of a plan does.`,
          name,
        )
      if (entry.isEncrypted()) return refuse('locked', 'The workbook is locked by a password.', name)
    }
  } catch {
    return refuse('damaged', 'The workbook is damaged: its list of parts cannot be read.', name)
  } finally {
    zip.close()
  }
  if (!found.some((part) => part === 'xl/workbook.xml'))
    return refuse('not-read', 'This is a ZIP, but not a workbook (.xlsx).', name)
  return ok(found)
}

function opened(bytes: Uint8Array): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.fromBuffer(Buffer.from(bytes), { lazyEntries: true }, (error, zip) => {
      if (error) reject(error)
      else resolve(zip)
    })
  })
}

/** Reads it in a process that is ended when it takes too long, and that ends itself when it takes too much room. */
function inChild(bytes: Uint8Array, name: string): Promise<Result<ReadWorkbook>> {
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [
        `--max-old-space-size=${workbookLimits.megabytes}`,
        '--import',
        'tsx',
        join(process.cwd(), 'src/disk/workbook-child.ts'),
        name,
      ],
      { stdio: ['pipe', 'pipe', 'ignore'], env: { ...process.env, NODE_OPTIONS: '' } },
    )
    const said: Buffer[] = []
    const clock = setTimeout(() => child.kill('SIGKILL'), workbookLimits.seconds * 1000)
    child.stdout.on('data', (part: Buffer) => said.push(part))
    child.stdin.on('error', () => undefined)
    child.on('error', () => resolve(failed(name)))
    child.on('close', () => {
      clearTimeout(clock)
      try {
        resolve(JSON.parse(Buffer.concat(said).toString('utf8')) as Result<ReadWorkbook>)
      } catch {
        resolve(failed(name))
      }
    })
    child.stdin.end(Buffer.from(bytes))
  })
}

function failed(name: string): Result<never> {
  return refuse(
    'too-much',
    `It could not be read within ${workbookLimits.seconds} s and ${workbookLimits.megabytes} MB. Is it the file that a sheet wrote?`,
    name,
  )
}
