import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Refusal } from '@/core/result'
import type { Left } from '@/core/sync/client'
import type { Step } from '@/core/sync/step'
import { troubleOf } from './browser-trouble'

/** What a closed tab left behind: steps and texts that no server acknowledged. */
export interface LeftBehind {
  readonly tab: string
  readonly left: Left
  /** When it was written last. */
  readonly at: Date
}

/** Where what is not saved yet waits, so that closing the tab loses nothing. */
export interface Queue {
  /** What this tab left when it was loaded last, what tabs that are closed left, and why nothing can be kept, if so. */
  open(): Promise<{
    readonly own: Left | null
    readonly others: readonly LeftBehind[]
    /** Steps that a page of the former release left in this tab. */
    readonly former: readonly Step[]
    readonly trouble: Refusal | null
  }>
  /** Keeps what this tab would leave behind now; null clears it. Gives the reason where it could not be kept. */
  write(left: Left | null): Promise<Refusal | null>
  remove(left: LeftBehind): Promise<Refusal | null>
}

interface Kept extends DBSchema {
  queues: {
    key: string
    value: { tab: string; document: string; left: Left; at: Date }
    indexes: { document: string }
  }
}

/**
 * One queue for each tab in the browser's own database. A tab holds a lock of its name as long as it lives: queues whose
 * lock is free belong to tabs that are closed. A tab that is loaded again finds its own name and goes on; a copied tab
 * finds it taken and takes another.
 */
export function browserQueue(documentId: string): Queue {
  let database: Promise<IDBPDatabase<Kept>> | null = null
  let last: Promise<unknown> = Promise.resolve()
  let waits: { left: Left | null; readonly done: Promise<Refusal | null> } | null = null
  const opened = () => (database ??= openDatabase())
  const named = () => nameFor(documentId)
  // Writes follow each other, so that a later state is never overtaken by an earlier one.
  const inOrder = (work: () => Promise<void>): Promise<Refusal | null> => {
    const done = last.then(work).then(
      () => null,
      (error: unknown) => troubleOf(error, openTab),
    )
    last = done
    return done
  }
  return {
    async open() {
      try {
        const [db, name] = [await opened(), await named()]
        const all = await db.getAllFromIndex('queues', 'document', documentId)
        const living = await livingTabs()
        const own = all.find((one) => one.tab === name)
        const others = all.filter((one) => one.tab !== name && !living.has(lockOf(one.tab)))
        return { own: own?.left ?? null, others, former: await takeFormer(documentId), trouble: null }
      } catch (error) {
        return {
          own: null,
          others: [],
          former: await takeFormer(documentId),
          trouble: troubleOf(error, openTab),
        }
      }
    },
    write(left) {
      // What has not been begun to be written is written as it is by then: a long queue is not written at each step.
      if (waits) {
        waits.left = left
        return waits.done
      }
      const mine: { left: Left | null; done: Promise<Refusal | null> } = {
        left,
        done: inOrder(async () => {
          waits = null
          const [db, name] = [await opened(), await named()]
          const key = `${documentId} ${name}`
          const now = { tab: name, document: documentId, at: new Date() }
          if (mine.left) await db.put('queues', { ...now, left: mine.left }, key)
          else await db.delete('queues', key)
        }),
      }
      waits = mine
      return mine.done
    },
    remove: (left) => inOrder(async () => (await opened()).delete('queues', `${documentId} ${left.tab}`)),
  }
}

const openTab = 'Keep this tab open until it says saved.'

function openDatabase(): Promise<IDBPDatabase<Kept>> {
  return openDB<Kept>('salt-shelf', 1, {
    upgrade(db) {
      db.createObjectStore('queues').createIndex('document', 'document')
    },
  })
}

/** This page's name for a document, taken once: a page that leaves a document and comes back goes on under it. */
function nameFor(documentId: string): Promise<string> {
  const name = names.get(documentId) ?? takeName(documentId)
  names.set(documentId, name)
  return name
}

const names = new Map<string, Promise<string>>()

/** The name of this tab: the one it had before it was loaded again, unless a living tab has it. */
async function takeName(documentId: string): Promise<string> {
  const key = `tab ${documentId}`
  const before = readSession(key)
  // The page that was here before may take a moment to let go.
  for (const patience of before === null ? [] : [0, 200]) {
    await new Promise((resolve) => setTimeout(resolve, patience))
    if (before !== null && (await holdLock(before))) return before
  }
  const fresh = crypto.randomUUID()
  await holdLock(fresh)
  try {
    sessionStorage.setItem(key, fresh)
  } catch {
    // Without session storage a tab that is loaded again is asked about what it left.
  }
  return fresh
}

/** What the former release kept in the session of a tab; taken once. */
async function takeFormer(documentId: string): Promise<readonly Step[]> {
  const key = `waiting steps ${documentId}`
  try {
    const text = sessionStorage.getItem(key)
    if (text === null) return []
    const [{ readSteps }, { planKind }] = [
      await import('@/core/sync/protocol'),
      await import('@/core/plan/kind'),
    ]
    const read = readSteps(
      planKind(() => null),
      JSON.parse(text),
    )
    sessionStorage.removeItem(key)
    return read.ok ? read.value : []
  } catch {
    return []
  }
}

function readSession(key: string): string | null {
  try {
    return sessionStorage.getItem(key)
  } catch {
    return null
  }
}

/** Takes the lock of a tab for as long as this page lives; false where another page has it. */
function holdLock(tab: string): Promise<boolean> {
  return new Promise((resolve, reject) => {
    navigator.locks
      .request(lockOf(tab), { ifAvailable: true }, (lock) => {
        resolve(lock !== null)
        return lock === null ? undefined : new Promise<void>(() => undefined)
      })
      .catch(reject)
  })
}

async function livingTabs(): Promise<ReadonlySet<string>> {
  const { held = [] } = await navigator.locks.query()
  return new Set(held.map((lock) => lock.name ?? ''))
}

function lockOf(tab: string): string {
  return `salt-shelf tab ${tab}`
}
