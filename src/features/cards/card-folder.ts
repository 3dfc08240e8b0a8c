import type { CardEntry } from '@/core/cards/card'
import { placeOf } from '@/core/cards/path'
import { largestTaken } from '@/core/cards/taking'
import { ok, refuse, type Result } from '@/core/result'

/** A file read from a card. */
export interface ReadFile {
  readonly bytes: Uint8Array<ArrayBuffer>
  readonly savedAt: number
}

/** A card in a reader, or a folder that stands for one, as far as the browser lets this page reach it. */
export interface CardFolder {
  readonly name: string
  /** A folder that the browser opened; else files that were chosen or dropped. */
  readonly isOpened: boolean
  /** Whether it can be written to; null where that shows only when it is tried. */
  readonly isWritable: boolean | null
  list(onCount?: (count: number) => void): Promise<Result<CardEntry[]>>
  read(path: string): Promise<Result<ReadFile>>
  /** Writes a file, its folders where they are missing, and reads it back. Nothing else on the card is touched. */
  write(path: string, bytes: Uint8Array<ArrayBuffer>): Promise<Result<true>>
}

/** More files of a card are not listed. */
const mostEntries = 20_000

/** So often it is told how far a listing is, in milliseconds: what is told is drawn. */
const tellEvery = 150

/** Folders within folders are followed so deep. */
const deepest = 12

/** Whether this browser opens folders at all. */
export function opensFolders(): boolean {
  return typeof window.showDirectoryPicker === 'function'
}

/** Asks for a folder; null where nobody chose one. */
export async function chooseFolder(mode: 'read' | 'readwrite'): Promise<Result<CardFolder | null>> {
  try {
    const handle = await window.showDirectoryPicker?.({ mode, id: 'card' })
    return ok(handle ? openedFolder(handle) : null)
  } catch (error) {
    if ((error as Partial<DOMException>).name === 'AbortError') return ok(null)
    return troubleOf(error, 'the card')
  }
}

/** A folder the browser has opened for this page. */
export function openedFolder(root: FileSystemDirectoryHandle): CardFolder {
  return {
    name: root.name === '' ? 'card' : root.name,
    isOpened: true,
    isWritable: null,
    list: (onCount) => tried(root.name, () => listed(root, onCount)),
    read: (path) => tried(path, async () => readWhole(await handleOf(root, path))),
    write: (path, bytes) => tried(path, () => written(root, path, bytes)),
  }
}

/** A file somebody dropped or chose, with the path it brings. */
export interface GivenFile {
  readonly path: string
  readonly file: File
}

/** Files somebody dropped or chose: they can be read, and nothing can be written beside them. */
export function givenFiles(files: readonly GivenFile[]): CardFolder {
  return {
    name: files.length === 1 ? (files[0]?.path ?? '') : `${files.length} files`,
    isOpened: false,
    isWritable: false,
    list: () =>
      Promise.resolve(
        files.length > mostEntries
          ? tooMany()
          : ok(files.map(({ path, file }) => ({ path, bytes: file.size, savedAt: file.lastModified }))),
      ),
    read: (path) =>
      tried(path, async () => {
        const file = files.find((one) => one.path === path)?.file
        return file
          ? readFile(file, () => Promise.resolve(file))
          : refuse('gone', 'This file was not among them.', path)
      }),
    write: (path) =>
      Promise.resolve(
        refuse('not-allowed', 'Files that were dropped are read only: open the folder to write.', path),
      ),
  }
}

/** Files that were chosen, each with the path it brings, from the folder that was chosen on. */
export function chosenFiles(files: readonly File[]): GivenFile[] {
  return files.map((file) => ({
    file,
    path: file.webkitRelativePath.split('/').slice(1).join('/') || file.name,
  }))
}

/** Files that were dropped; folders among them bring theirs, by their paths. */
export async function droppedFiles(given: DataTransfer): Promise<GivenFile[]> {
  const entries = [...given.items].flatMap((item) => item.webkitGetAsEntry() ?? [])
  if (entries.length === 0) return chosenFiles([...given.files])
  const files: GivenFile[] = []
  const walk = async (entry: FileSystemEntry, at: string, depth: number): Promise<void> => {
    if (files.length > mostEntries || depth > deepest) return
    const path = at === '' ? entry.name : `${at}/${entry.name}`
    if (entry.isFile) {
      const file = await new Promise<File>((resolve, reject) =>
        (entry as FileSystemFileEntry).file(resolve, reject),
      )
      files.push({ path, file })
      return
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader()
    for (;;) {
      const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
        reader.readEntries(resolve, reject),
      )
      if (some.length === 0) break
      // The folder that was dropped stands for the card: paths begin within it.
      for (const one of some) await walk(one, depth === 0 ? '' : path, depth + 1)
    }
  }
  for (const entry of entries) await walk(entry, '', 0)
  return files
}

async function listed(
  root: FileSystemDirectoryHandle,
  onCount?: (count: number) => void,
): Promise<Result<CardEntry[]>> {
  const entries: CardEntry[] = []
  let [told, turned] = [performance.now(), performance.now()]
  const walk = async (folder: FileSystemDirectoryHandle, at: string, depth: number): Promise<boolean> => {
    for await (const handle of folder.values()) {
      const path = at === '' ? handle.name : `${at}/${handle.name}`
      if (handle.kind === 'directory') {
        if (depth < deepest && !(await walk(handle, path, depth + 1))) return false
        continue
      }
      if (entries.length >= mostEntries) return false
      const file = await handle.getFile()
      entries.push({ path, bytes: file.size, savedAt: file.lastModified })
      // The page goes on meanwhile: others have their turn, and how far it is, is told now and then.
      if (performance.now() - turned < 6) continue
      if (performance.now() - told > tellEvery) {
        onCount?.(entries.length)
        told = performance.now()
      }
      await new Promise((resolve) => setTimeout(resolve))
      turned = performance.now()
    }
    return true
  }
  return (await walk(root, '', 0)) ? ok(entries) : tooMany()
}

function tooMany(): Result<never> {
  return refuse('too-many', `It has more than ${mostEntries} files: open a folder within it.`, 'the card')
}

async function handleOf(root: FileSystemDirectoryHandle, path: string): Promise<FileSystemFileHandle> {
  const { folder, name } = placeOf(path)
  let at = root
  for (const part of folder.split('/').filter((one) => one !== '')) at = await at.getDirectoryHandle(part)
  return at.getFileHandle(name)
}

async function readWhole(handle: FileSystemFileHandle): Promise<Result<ReadFile>> {
  return readFile(await handle.getFile(), () => handle.getFile())
}

/** Reads a file whole; one that is larger than any, or changes while it is read, is refused. */
async function readFile(file: File, again: () => Promise<File>): Promise<Result<ReadFile>> {
  if (file.size > largestTaken)
    return refuse(
      'too-large',
      `It has ${Math.round(file.size / 1e6)} MB: no configuration file is that large. At most ${largestTaken / 1e6} MB are taken.`,
      file.name,
    )
  const bytes = new Uint8Array(await file.arrayBuffer())
  const now = await again()
  if (bytes.length !== file.size || now.size !== file.size || now.lastModified !== file.lastModified)
    return refuse(
      'growing',
      'It changed while it was read: it is still being written. Wait, and take it then.',
      file.name,
    )
  return ok({ bytes, savedAt: file.lastModified })
}

async function written(
  root: FileSystemDirectoryHandle,
  path: string,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<Result<true>> {
  const { folder, name } = placeOf(path)
  let at = root
  for (const part of folder.split('/').filter((one) => one !== ''))
    at = await at.getDirectoryHandle(part, { create: true })
  const isThere = await at.getFileHandle(name).then(
    () => true,
    () => false,
  )
  const handle = await at.getFileHandle(name, { create: true })
  try {
    await fill(handle, bytes)
  } catch (error) {
    // A name that came with the attempt goes with it.
    if (!isThere) await at.removeEntry(name).catch(() => undefined)
    throw error
  }
  const back = await readWhole(handle)
  if (!back.ok) return back
  const isEqual =
    back.value.bytes.length === bytes.length && back.value.bytes.every((byte, i) => byte === bytes[i])
  return isEqual
    ? ok(true)
    : refuse(
        'not-written',
        'What was read back from the card is not what was written. Take another card.',
        path,
      )
}

/** Puts bytes into a file; where that fails the file is as it was. */
async function fill(handle: FileSystemFileHandle, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  const stream = await handle.createWritable()
  try {
    await stream.write(bytes)
    await stream.close()
  } catch (error) {
    await stream.abort().catch(() => undefined)
    throw error
  }
}

async function tried<T>(where: string, work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    return troubleOf(error, where)
  }
}

const troubles: Readonly<Record<string, readonly [code: string, message: string]>> = {
  NotAllowedError: ['not-allowed', 'This page may not reach the card any more: open it again, and let it.'],
  SecurityError: ['not-allowed', 'The browser does not let this page in there: choose the card itself.'],
  NotFoundError: ['gone', 'It is not there any more: was the card taken out? Nothing is believed of it.'],
  NoModificationAllowedError: [
    'locked',
    'The card is locked, or something else writes to it. Slide its lock back.',
  ],
  QuotaExceededError: ['full', 'There is no room for it on the card. What was there is as it was.'],
  InvalidStateError: ['gone', 'The card changed meanwhile: was it taken out? Open it again.'],
  NotReadableError: ['unreadable', 'It cannot be read: was the card taken out?'],
  TypeMismatchError: ['shape', 'A folder lies where a file should, or a file where a folder should.'],
}

function troubleOf(error: unknown, where: string): Result<never> {
  const name = (error as Partial<DOMException> | null)?.name ?? ''
  const [code, message] = troubles[name] ?? [
    'unreadable',
    `The card cannot be reached${name === '' ? '' : ` (${name})`}. Open it again.`,
  ]
  return refuse(code, message, where)
}

/** The digest of bytes, as the shelf knows files by it. */
export async function digestOf(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}
