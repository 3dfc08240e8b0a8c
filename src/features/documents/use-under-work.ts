import { useEffect, useState } from 'react'
import { whenIdle } from '@/ui/when-idle'
import { definitionsCache } from '@/workers/caches'
import { browserLanded, keepCopy } from './copies'
import type { DeskWays, DocumentDesk } from './document-desk'
import { browserQueue } from './queue'

/** What this device keeps of a page with a document on it. */
export interface KeptPage {
  /** Its address, without what follows it, and what it is called among the copies of this device. */
  readonly page: string
  readonly name: string
  /** What the server gave it. */
  readonly given: unknown
  /** Where the document stands in that. */
  readonly epoch: string
  readonly version: number
  /** Addresses of what it stands on that never change. */
  readonly needs?: readonly string[]
}

/** How the desk of a document works in a browser: what waits and what landed are kept there. */
export function inThisBrowser(documentId: string, isCopy: boolean): Omit<DeskWays, 'server'> {
  return { queue: browserQueue(documentId), landed: browserLanded(documentId), isCopy }
}

/**
 * Works with a desk for as long as its page is there: takes up what was left behind, goes on when the connection comes back,
 * and keeps a copy, so that the page opens on this device without the server. A page opened from a copy leaves that as it is,
 * and is to be shown only when this gives true: by then what landed and what waited since is in it.
 */
export function useUnderWork<D, X extends object>(
  desk: DocumentDesk<D, X>,
  documentId: string,
  kept: KeptPage | null,
): boolean {
  const [isWhole, setWhole] = useState(!desk.isCopy)
  useEffect(() => {
    void desk.resume().finally(() => setWhole(true))
    // What could not be sent is tried again as soon as there is reason to.
    const back = () => {
      if (document.visibilityState === 'visible' && desk.getView().link.kind === 'waiting') desk.retry()
    }
    window.addEventListener('online', back)
    document.addEventListener('visibilitychange', back)
    // Closing the tab loses nothing, unless the browser keeps nothing.
    const warn = (event: BeforeUnloadEvent) => {
      const { saving, unkept } = desk.getView()
      if (unkept && saving !== 'saved') event.preventDefault()
    }
    window.addEventListener('beforeunload', warn)
    return () => {
      window.removeEventListener('online', back)
      document.removeEventListener('visibilitychange', back)
      window.removeEventListener('beforeunload', warn)
      desk.end()
    }
  }, [desk])
  useEffect(() => {
    if (!kept) return
    const { page, name, given, epoch, version, needs = [] } = kept
    return whenIdle(async () => {
      const trouble = await keepCopy(page, name, given)
      if (trouble === null) {
        await browserLanded(documentId).forget(epoch, version)
        await keepNeeds(needs)
      }
      desk.copied(trouble)
    })
    // What is given is another object only when the server gave something anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [desk, documentId, kept?.given])
  return isWhole
}

/** Keeps a part of a page that has no document of its own, as it was given. */
export function useKeptPart(page: string, given: unknown): void {
  useEffect(() => whenIdle(() => void keepCopy(page, null, given)), [page, given])
}

/** Puts what a page stands on into the cache, from where it was fetched already; what is there stays. */
async function keepNeeds(addresses: readonly string[]): Promise<void> {
  try {
    const cache = await caches.open(definitionsCache)
    for (const address of addresses) if (!(await cache.match(address))) await cache.add(address)
  } catch {
    // A browser without a cache of ours opens nothing without the server either.
  }
}
