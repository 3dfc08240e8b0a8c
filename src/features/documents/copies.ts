import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Refusal } from '@/core/result'
import type { KeptSteps } from '@/core/sync/client'
import type { Head } from '@/core/sync/head'
import type { Step } from '@/core/sync/step'
import { definitionsCache } from '@/workers/caches'
import { troubleOf } from './browser-trouble'

/** A page that this device keeps. */
export interface KeptCopy {
  /** Its address, without what follows it. */
  readonly page: string
  /** What it is called where the copies of a device are listed; null for a part of another page. */
  readonly name: string | null
  /** When it was opened last. */
  readonly at: Date
}

/** What a page was given by the server when it was opened last, as it was given: it opens again from that. */
export interface Copy<T> {
  readonly at: Date
  readonly given: T
}

/** Steps that the log took in after the copy was made, oldest first. */
export interface Landed extends KeptSteps {
  readonly epoch: string
  /** The number of the step before the first. */
  readonly after: number
}

/** A step that landed; the last of those that landed together has the head of the log after it. */
interface LandedStep {
  readonly step: Step
  readonly head: Head
}

interface Kept extends DBSchema {
  pages: { key: string; value: KeptCopy; indexes: { at: Date } }
  given: { key: string; value: unknown }
  landed: { key: [document: string, epoch: string, number: number]; value: LandedStep }
}

/** How many pages a device keeps: those opened last. */
const mostCopies = 60

/** Keeps what a page was given, in the place of what was kept of it before. Gives the reason where it cannot be kept. */
export async function keepCopy(page: string, name: string | null, given: unknown): Promise<Refusal | null> {
  try {
    const work = (await opened()).transaction(['pages', 'given'], 'readwrite')
    const [pages, contents] = [work.objectStore('pages'), work.objectStore('given')]
    await Promise.all([pages.put({ page, name, at: new Date() }, page), contents.put(given, page)])
    const oldestFirst = await pages.index('at').getAllKeys()
    const gone = oldestFirst.slice(0, -mostCopies)
    await Promise.all([...gone.flatMap((old) => [pages.delete(old), contents.delete(old)]), work.done])
    return null
  } catch (error) {
    return troubleOf(error, 'Without a connection this page does not open on this device.')
  }
}

/** What was kept of a page; null where nothing was. */
export async function copyOf<T>(page: string): Promise<Copy<T> | null> {
  const db = await opened()
  const [kept, given] = await Promise.all([db.get('pages', page), db.get('given', page)])
  return kept ? { at: kept.at, given: given as T } : null
}

/** Every page kept here that has a name, opened last first. */
export async function copiesHere(): Promise<readonly KeptCopy[]> {
  const all = await (await opened()).getAllFromIndex('pages', 'at')
  return all.filter(({ name }) => name !== null).reverse()
}

/** Forgets every page kept here, and what they stand on; what is not sent yet is no part of that. */
export async function forgetCopies(): Promise<void> {
  const db = await opened()
  const stores = ['pages', 'given', 'landed'] as const
  await Promise.all([...stores.map((store) => db.clear(store)), caches.delete(definitionsCache)])
}

/** Where what lands is kept, so that a copy can be brought up to it. */
export interface LandedStore {
  add(landed: Landed): Promise<void>
  /** The steps right after a number, as far as they follow each other without a gap; null where there is none. */
  after(epoch: string, number: number): Promise<KeptSteps | null>
  /** Forgets what a newer copy has in it. */
  forget(epoch: string, upTo: number): Promise<void>
}

/** What lands in the log of a document, in the browser's own database. What cannot be kept is not: the log has it. */
export function browserLanded(documentId: string): LandedStore {
  const all = (epoch: string, from: number, to: number) =>
    IDBKeyRange.bound([documentId, epoch, from], [documentId, epoch, to])
  return {
    async add({ epoch, after, entries, head }) {
      try {
        const work = (await opened()).transaction('landed', 'readwrite')
        const puts = entries.map((step, i) => {
          const value = { step, head: i === entries.length - 1 ? head : null }
          return work.store.put(value, [documentId, epoch, after + 1 + i])
        })
        await Promise.all([...puts, work.done])
      } catch {
        // The copy of this device stays behind, and is made anew when the page is opened next.
      }
    },
    async after(epoch, number) {
      const db = await opened()
      const range = all(epoch, number + 1, Number.MAX_SAFE_INTEGER)
      const [keys, found] = await Promise.all([db.getAllKeys('landed', range), db.getAll('landed', range)])
      const gap = keys.findIndex(([, , at], i) => at !== number + 1 + i)
      const whole = gap < 0 ? found : found.slice(0, gap)
      const last = whole.findLastIndex(({ head }) => head !== null)
      const head = whole[last]?.head ?? null
      return head === null ? null : { entries: whole.slice(0, last + 1).map(({ step }) => step), head }
    },
    async forget(epoch, upTo) {
      try {
        const db = await opened()
        await db.delete('landed', all(epoch, 0, upTo))
        // Steps of a log that is no more.
        const others = await db.getAllKeys('landed', IDBKeyRange.bound([documentId], [documentId, []]))
        for (const key of others) if (key[1] !== epoch) await db.delete('landed', key)
      } catch {
        // They are passed over when the page is opened from its copy.
      }
    },
  }
}

let database: Promise<IDBPDatabase<Kept>> | null = null

/** Apart from the queues: what is not saved never waits for what is only a copy. */
function opened(): Promise<IDBPDatabase<Kept>> {
  database ??= openDB<Kept>('salt-shelf-copies', 2, {
    upgrade(db, before) {
      if (before === 0) db.createObjectStore('pages').createIndex('at', 'at')
      if (before === 0) db.createObjectStore('given')
      // A former release kept what landed without heads: the log has it, and the copy is made anew when the page is opened.
      else db.deleteObjectStore('landed')
      db.createObjectStore('landed')
    },
    blocking: () => void database?.then((db) => db.close()).finally(() => (database = null)),
    terminated: () => (database = null),
  })
  database.catch(() => (database = null))
  return database
}
