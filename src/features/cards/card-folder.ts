import { proxy, wrap } from 'comlink'
import { mostEntries, type CardEntry } from '@/core/cards/card'
import { placeOf } from '@/core/cards/path'
import { largestTaken } from '@/core/cards/taking'
import { ok, refuse, type Result } from '@/core/result'
import type { CardWorker } from '@/workers/card.worker'
import { deepest, listFolder, tooMany, tried, troubleOf } from '@/workers/list-folder'

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

/** A folder the browser has opened for this page; `list` says where it is listed. */
export function openedFolder(
  root: FileSystemDirectoryHandle,
  list: typeof listFolder = listInWorker,
): CardFolder {
  return {
    name: root.name === '' ? 'card' : root.name,
    isOpened: true,
    isWritable: null,
    list: (onCount) => list(root, (entries) => onCount?.(entries.length)),
    read: (path) => tried(path, async () => readWhole(await handleOf(root, path))),
    write: (path, bytes) => tried(path, () => written(root, path, bytes)),
  }
}

/** Lists a folder away from the page: a card has very many files at times. */
async function listInWorker(
  root: FileSystemDirectoryHandle,
  onMore?: (entries: readonly CardEntry[]) => void,
): Promise<Result<CardEntry[]>> {
  const thread = new Worker(new URL('../../workers/card.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<never>((_, reject) =>
    thread.addEventListener('error', () => reject(new Error('the worker could not be loaded'))),
  )
  const entries: CardEntry[] = []
  const take = proxy((some: readonly CardEntry[]) => {
    entries.push(...some)
    onMore?.(entries)
  })
  try {
    const listed = await Promise.race([wrap<CardWorker>(thread).list(root, take), failed])
    return listed.ok ? ok(entries) : listed
  } catch {
    // A browser that hands no folder to a worker lists it here.
    return listFolder(root, onMore)
  } finally {
    thread.terminate()
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

/** The digest of bytes, as the shelf knows files by it. */
export async function digestOf(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}
