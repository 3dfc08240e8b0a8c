import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { PlanKeeper, planStuff } from '@tests/fixtures/plan-keeper'
import { stories, World } from '@tests/fixtures/sync-world'
import { closePool } from './db'

afterAll(closePool)

describe('the save protocol on the real store', () => {
  it.each([
    ['whatever becomes of messages, tabs and servers', false],
    ['when the log itself is made anew or an older copy is put back', true],
  ])(
    'loses and doubles nothing, and leaves nobody stuck, %s',
    async (_name, resets) => {
      const runs = Number(process.env.SALT_SHELF_RUNS ?? 25)
      await fc.assert(
        fc.asyncProperty(stories(60, resets), async (story) => {
          const keeper = await PlanKeeper.begin(heron)
          expect(await new World(planStuff(heron), keeper).live(story)).toBeNull()
          await keeper.end()
        }),
        { numRuns: runs },
      )
    },
    120_000,
  )
})
