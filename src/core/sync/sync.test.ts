import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MemoryKeeper } from '@tests/fixtures/memory-keeper'
import { sheetKind, stories, World } from '@tests/fixtures/sync-world'

const kind = sheetKind(false)

const stuff = {
  kind,
  lenient: sheetKind(true),
  rows: ['a', 'b', 'c', 'd', 'e'],
  value: (number: number, bad: boolean) => `${bad ? 'bad' : 'text'} ${number}`,
  id: (number: number) => `step ${number}`,
}

describe('the save protocol', () => {
  it('notices another log by more than its newest step', async () => {
    // An older copy is put back, and a doubled request then makes a log that ends with the same step.
    const story = [
      { kind: 'edit', who: 1, rows: [0], bad: false },
      { kind: 'edit', who: 0, rows: [0], bad: false },
      { kind: 'edit', who: 1, rows: [1], bad: false },
      { kind: 'send', who: 0 },
      { kind: 'send', who: 1 },
      { kind: 'arrive', which: 0, again: false },
      { kind: 'arrive', which: 0, again: true },
      { kind: 'answer', which: 0, again: false },
      { kind: 'answer', which: 0, again: false },
      { kind: 'send', who: 1 },
      { kind: 'arrive', which: 3, again: false },
      { kind: 'rewind', steps: 2 },
    ] as const
    expect(await new World(stuff, new MemoryKeeper(kind, {})).live([...story])).toBeNull()
  })

  it('loses and doubles nothing, and leaves nobody stuck, whatever becomes of messages, tabs and servers', async () => {
    await fc.assert(
      fc.asyncProperty(stories(120, false), async (story) => {
        expect(await new World(stuff, new MemoryKeeper(kind, {})).live(story)).toBeNull()
      }),
      { numRuns: Number(process.env.SALT_SHELF_RUNS ?? 1500) },
    )
  })

  it('keeps what was typed when the log itself is made anew or an older copy is put back', async () => {
    await fc.assert(
      fc.asyncProperty(stories(120, true), async (story) => {
        expect(await new World(stuff, new MemoryKeeper(kind, {})).live(story)).toBeNull()
      }),
      { numRuns: Number(process.env.SALT_SHELF_RUNS ?? 1500) },
    )
  })
})
