// @vitest-environment jsdom
import { webcrypto } from 'node:crypto'
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { CardInMemory, type CardFaults } from '@tests/fixtures/card-handle'
import { digestHex } from '@/core/digest'
import { must, type Result } from '@/core/result'
import { listFolder } from '@/workers/list-folder'
import { chooseFolder, digestOf, givenFiles, openedFolder, opensFolders } from './card-folder'
import { writeToCard } from './write-file'

beforeAll(() => {
  Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true })
  // What jsdom's files lack.
  Object.defineProperty(Blob.prototype, 'arrayBuffer', {
    configurable: true,
    value(this: Blob) {
      return new Promise((resolve, reject) => {
        const reader = new FileReader()
        reader.onload = () => resolve(reader.result)
        reader.onerror = () => reject(reader.error ?? new Error('unread'))
        reader.readAsArrayBuffer(this)
      })
    },
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  delete window.showDirectoryPicker
})

const card = (faults: CardFaults = {}) => {
  const made = new CardInMemory({ 'HERON/SET/A.DAT': [1, 2, 3], 'DCIM/Пьеса.RAW': [4], 'READ.ME': [] })
  made.faults = faults
  return made
}
/** A card as it is reached where there are no workers. */
const opened = (handle: FileSystemDirectoryHandle) => openedFolder(handle, listFolder)
const bytes = new Uint8Array([9, 8, 7, 6])
const codeOf = (result: Result<unknown>) => (result.ok ? 'ok' : result.refusal.code)

describe('a card that was opened', () => {
  it('lists all that lies on it, with names in any alphabet', async () => {
    const entries = must(await opened(card().handle()).list())
    expect(entries.map(({ path, bytes: size }) => [path, size])).toEqual([
      ['HERON/SET/A.DAT', 3],
      ['DCIM/Пьеса.RAW', 1],
      ['READ.ME', 0],
    ])
  })

  it('of more files than anybody looks at is refused, not cut', async () => {
    const many = new CardInMemory(
      Object.fromEntries(Array.from({ length: 20_001 }, (_, i) => [`P${i}.RAW`, [1]])),
    )
    expect(codeOf(await opened(many.handle()).list())).toBe('too-many')
  })

  it('of ten thousand files is listed in turns: the page goes on meanwhile, and is told how far it is', async () => {
    const many = new CardInMemory(
      Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`P${i}.RAW`, [1]])),
    )
    const told: number[] = []
    let turns = 0
    const others = setInterval(() => turns++, 1)
    expect(must(await opened(many.handle()).list((count) => told.push(count)))).toHaveLength(10_000)
    clearInterval(others)
    expect(told.length).toBeGreaterThan(0)
    expect(turns).toBeGreaterThan(2)
  })

  it('gives a file whole, with the time of its clock', async () => {
    const read = must(await opened(card().handle()).read('HERON/SET/A.DAT'))
    expect([[...read.bytes], read.savedAt]).toEqual([[1, 2, 3], 1000])
  })

  it('refuses a file that grows while it is read', async () => {
    const growing = card({ grows: 'HERON/SET/A.DAT' })
    expect(codeOf(await opened(growing.handle()).read('HERON/SET/A.DAT'))).toBe('growing')
  })

  it.each([
    ['list', 'NotAllowedError', 'not-allowed'],
    ['list', 'NotFoundError', 'gone'],
    ['read', 'NotFoundError', 'gone'],
    ['read', 'NotReadableError', 'unreadable'],
    ['create', 'NoModificationAllowedError', 'locked'],
    ['create', 'NotAllowedError', 'not-allowed'],
    ['create', 'TypeMismatchError', 'shape'],
    ['write', 'QuotaExceededError', 'full'],
    ['close', 'QuotaExceededError', 'full'],
    ['write', 'NotFoundError', 'gone'],
    ['close', 'InvalidStateError', 'gone'],
    ['close', 'NotAllowedError', 'not-allowed'],
  ] as const)('that fails at %s with %s says why, and nothing on it is changed', async (at, error, code) => {
    const failing = card({ [at]: error })
    const before = [...failing.files].map(([path, file]) => [path, [...file.bytes]])
    const folder = opened(failing.handle())
    const result =
      at === 'list'
        ? await folder.list()
        : at === 'read'
          ? await folder.read('HERON/SET/A.DAT')
          : await folder.write('HERON/SET/A.DAT', bytes)
    expect(codeOf(result)).toBe(code)
    expect([...failing.files].map(([path, file]) => [path, [...file.bytes]])).toEqual(before)
  })

  it('that fails while a new file is written has no new file afterwards', async () => {
    const failing = card({ write: 'QuotaExceededError' })
    const names = [...failing.files.keys()]
    expect(codeOf(await opened(failing.handle()).write('HERON/SET/NEW.DAT', bytes))).toBe('full')
    expect([...failing.files.keys()]).toEqual(names)
  })

  it('is written to with its folders made, and read back', async () => {
    const made = card()
    must(await opened(made.handle()).write('NEW/SET/B.DAT', bytes))
    expect([...(made.files.get('NEW/SET/B.DAT')?.bytes ?? [])]).toEqual([...bytes])
    expect(made.files.size).toBe(4)
  })

  it('that keeps something else than was written is not believed', async () => {
    expect(codeOf(await opened(card({ garbles: true }).handle()).write('B.DAT', bytes))).toBe('not-written')
  })
})

describe('files that were dropped', () => {
  it('are read, and written to nowhere', async () => {
    const folder = givenFiles([
      { path: 'HERON/SET/A.DAT', file: new File([bytes], 'A.DAT', { lastModified: 5 }) },
    ])
    expect(must(await folder.list())).toEqual([{ path: 'HERON/SET/A.DAT', bytes: 4, savedAt: 5 }])
    expect([...must(await folder.read('HERON/SET/A.DAT')).bytes]).toEqual([...bytes])
    expect(codeOf(await folder.read('other'))).toBe('gone')
    expect(codeOf(await folder.write('A.DAT', bytes))).toBe('not-allowed')
  })

  it('of two gigabytes are refused by their size, unread', async () => {
    const huge = new File([], 'FILM.MOV')
    Object.defineProperty(huge, 'size', { value: 2e9 })
    const read = await givenFiles([{ path: 'FILM.MOV', file: huge }]).read('FILM.MOV')
    expect(codeOf(read)).toBe('too-large')
  })
})

describe('a browser', () => {
  it('that opens no folders says so by having none', () => {
    expect(opensFolders()).toBe(false)
    window.showDirectoryPicker = () => Promise.reject(new DOMException('no', 'AbortError'))
    expect(opensFolders()).toBe(true)
  })

  it('in which nobody chose a folder changes nothing; one that forbids it is told', async () => {
    window.showDirectoryPicker = () => Promise.reject(new DOMException('no', 'AbortError'))
    expect(must(await chooseFolder('read'))).toBeNull()
    window.showDirectoryPicker = () => Promise.reject(new DOMException('no', 'SecurityError'))
    expect(codeOf(await chooseFolder('read'))).toBe('not-allowed')
  })
})

describe('writing a file of the shelf to a card', () => {
  const writing = {
    fileId: 'f',
    digest: digestHex(bytes),
    path: 'HERON/SET/A.DAT',
    over: 'HERON/SET/A.DAT',
    body: 'b',
  }
  const asked: string[] = []
  const serve = (isKept = true, given = bytes) =>
    vi.stubGlobal('fetch', (address: string, options?: { method?: string }) => {
      asked.push(`${options?.method ?? 'GET'} ${address.split('?')[0] ?? ''}`)
      const answer =
        options?.method === 'POST'
          ? {
              ok: isKept,
              json: () =>
                Promise.resolve(
                  isKept
                    ? { fileId: 'x', known: false }
                    : { refusal: { code: 'disk-full', message: 'full' } },
                ),
            }
          : { ok: true, arrayBuffer: () => Promise.resolve(given.slice().buffer) }
      return Promise.resolve(answer)
    })

  it('takes in first what lies there, writes, and reads back', async () => {
    asked.length = 0
    serve()
    const made = card()
    must(await writeToCard(opened(made.handle()), writing))
    expect(asked).toEqual(['POST /api/files', 'GET /api/files/f'])
    expect(await digestOf(made.files.get('HERON/SET/A.DAT')?.bytes ?? new Uint8Array())).toBe(writing.digest)
  })

  it('writes nothing over that could not be kept first', async () => {
    serve(false)
    const made = card()
    expect(codeOf(await writeToCard(opened(made.handle()), writing))).toBe('disk-full')
    expect([...(made.files.get('HERON/SET/A.DAT')?.bytes ?? [])]).toEqual([1, 2, 3])
  })

  it('writes nothing that came damaged from the server', async () => {
    serve(true, new Uint8Array([0]))
    const made = card()
    expect(codeOf(await writeToCard(opened(made.handle()), writing))).toBe('damaged')
    expect([...(made.files.get('HERON/SET/A.DAT')?.bytes ?? [])]).toEqual([1, 2, 3])
  })
})
