import { MemoryKeeper } from '@tests/fixtures/memory-keeper'
import { rowNamed } from '@tests/fixtures/rows'
import { sheetKind } from '@tests/fixtures/sync-world'
import { describe, expect, it } from 'vitest'
import type { Left } from '@/core/sync/client'
import type { Head } from '@/core/sync/head'
import type { Step } from '@/core/sync/step'
import type { Landed, LandedStore } from './copies'
import { DocumentDesk, type DeskWays } from './document-desk'

const kind = sheetKind(false)
const a = rowNamed('a')

/** A device: its queue, and what landed beside the copy of a document; what lands is kept only once `let it land` is said. */
function device() {
  const keeper = new MemoryKeeper(kind, {})
  let left: Left | null = null
  const landed: Step[] = []
  let at: Head = null
  const waiting: (() => void)[] = []
  const store: LandedStore = {
    add: ({ entries, head }: Landed) =>
      new Promise((resolve) => {
        waiting.push(() => {
          landed.push(...entries)
          at = head
          resolve()
        })
      }),
    after: (_epoch, number) =>
      Promise.resolve(landed.length > number ? { entries: landed.slice(number), head: at } : null),
    forget: () => Promise.resolve(),
  }
  const opened = keeper.opened()
  let made = 0
  const open = (isCopy: boolean, isThere = () => true) => {
    const ways: DeskWays = {
      server: {
        save: async (save) => {
          if (!isThere()) throw new Error('no server')
          return { kind: 'answer', answer: await keeper.save(save) }
        },
        earlier: () => Promise.resolve(null),
      },
      queue: {
        open: () => Promise.resolve({ own: left, others: [], former: [], trouble: null }),
        write: (now) => {
          left = now
          return Promise.resolve(null)
        },
        remove: () => Promise.resolve(null),
      },
      landed: store,
      isCopy,
      newId: () => `step ${(made += 1)}`,
      wait: () => new Promise((resolve) => setTimeout(resolve, 5)),
    }
    const { epoch, document, version, head, tail } = opened
    return new DocumentDesk(kind, { epoch, document, version, head, tail }, {}, ways)
  }
  const letLand = () => waiting.splice(0).forEach((go) => go())
  return { open, letLand, left: () => left, landed }
}

describe('what a browser keeps of a document under work', () => {
  it('has a step that landed in its queue until it stands beside the copy', async () => {
    const { open, letLand, left, landed } = device()
    const desk = open(false)
    await desk.resume()
    desk.set({ [a]: 'one' })
    await expect.poll(() => desk.getView().saving).toBe('saved')
    expect([left()?.steps.map(({ id }) => id), landed]).toEqual([['step 1'], []])
    letLand()
    await expect.poll(left).toBeNull()
    expect(landed.map(({ id }) => id)).toEqual(['step 1'])
  })

  it('opens from its copy to what was shown, without a server, whether what landed was kept in time or not', async () => {
    for (const isKept of [true, false]) {
      const { open, letLand } = device()
      let isThere = true
      const desk = open(false, () => isThere)
      await desk.resume()
      desk.set({ [a]: 'landed' })
      await expect.poll(() => desk.getView().saving).toBe('saved')
      if (isKept) letLand()
      isThere = false
      desk.set({ [rowNamed('b')]: 'waits' })
      await new Promise((resolve) => setTimeout(resolve, 20))
      desk.end()
      const again = open(true, () => isThere)
      await again.resume()
      expect(again.getView().document).toEqual({ a: 'landed', b: 'waits' })
      isThere = true
      again.retry()
      await expect.poll(() => again.getView().saving).toBe('saved')
      expect([again.getView().version, again.getView().aside]).toEqual([2, []])
      again.end()
    }
  })
})
