import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { bag } from '@tests/fixtures/inventories'
import { InventoryKeeper, inventoryStuff } from '@tests/fixtures/inventory-keeper'
import { inOwnDatabase } from '@tests/fixtures/own-database'
import { rowNamed } from '@tests/fixtures/rows'
import { stories, World } from '@tests/fixtures/sync-world'
import { must } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { listBodies } from './bodies'
import { query } from './db'
import { inventoryNow, loadInventory, setInventory } from './inventory'
import { createPlan } from './plans'
import { listPlans, reckonSoon, reckoned } from './summaries'

inOwnDatabase()

const set = (rows: Readonly<Record<string, Value | null>>) => setInventory(rows)
const gone = (rows: Readonly<Record<string, Value>>) =>
  Object.fromEntries(Object.keys(rows).map((row) => [row, null]))
const bodies = async () =>
  (await listBodies()).bodies.map(({ tag, name, model, state }) => ({
    tag,
    name,
    model: model.id,
    firmware: state.firmware,
    serial: state.serial,
    prefix: state.memory[rowNamed('base/files.prefix')],
  }))
const heronC = {
  'body/heron-c/name': 'Heron C',
  'body/heron-c/model': 'tarrow-heron',
  'body/heron-c/serial': 'TH-9',
  'body/heron-c/firmware': '1.0',
  'body/heron-c/prefix': 'LHC',
}

describe('a body of the inventory', () => {
  it('can be carried to: it is simulated as it is said, and follows what is said later', async () => {
    await set(heronC)
    expect(await bodies()).toEqual([
      {
        tag: 'heron-c',
        name: 'Heron C',
        model: 'tarrow-heron',
        firmware: '1.0',
        serial: 'TH-9',
        prefix: 'LHC',
      },
    ])
    const [before] = (await listBodies()).bodies
    await set({
      'body/heron-c/firmware': '2.0',
      'body/heron-c/name': 'Third Heron',
      'body/heron-c/place': 'bench',
    })
    const [after] = (await listBodies()).bodies
    expect(after).toMatchObject({
      id: before?.id,
      name: 'Third Heron',
      place: 'bench',
      state: { firmware: '2.0' },
    })
    expect(after?.state.memory).toEqual(before?.state.memory)
  })

  it('is put aside when it is removed, and is the same body when that is undone', async () => {
    const [before] = (await listBodies()).bodies
    await query(`update bodies set battery_percent = 33 where tag = 'heron-c'`)
    const held = must(await loadInventory()).inventory.rows
    await set(gone(held))
    expect(await bodies()).toEqual([])
    await set(held)
    const [back] = (await listBodies()).bodies
    expect(back).toMatchObject({ id: before?.id, state: { batteryPercent: 33 } })
  })

  it('of another model under the same tag is a new camera, and the former one is kept', async () => {
    const held = must(await loadInventory()).inventory.rows
    await set(gone(held))
    await set({ 'body/heron-c/name': 'Heron C', 'body/heron-c/model': 'varn-duet' })
    expect(await bodies()).toMatchObject([{ tag: 'heron-c', model: 'varn-duet' }])
    const kept = await query<{ tag: string; gone: boolean }>(
      `select tag, gone from bodies where model_id = 'tarrow-heron'`,
    )
    expect(kept).toMatchObject([{ gone: true }])
    await set(gone(must(await loadInventory()).inventory.rows))
  })
})

describe('the shelf', () => {
  it('counts what is wrong in a plan with what its owner has', async () => {
    const id = await createPlan(heron, {
      [rowNamed('title')]: 'With a bag',
      [rowNamed('key/stills/ridge-key/press')]: 'brightened-view',
    })
    const blocks = async () => {
      await listPlans()
      reckonSoon([id])
      await reckoned()
      return (await listPlans()).plans.find((one) => one.id === id)?.counts?.blocks
    }
    expect(await blocks()).toBe(0)
    await set(bag)
    expect((await listPlans()).plans.find((one) => one.id === id)?.counts).toBeNull()
    expect(await blocks()).toBeGreaterThan(0)
    await set(gone(bag))
    expect(await blocks()).toBe(0)
  })
})

describe('an inventory that cannot be read', () => {
  it('is told with its row, kept as it is, and plans go on without it', async () => {
    await set({ 'gear/clip/name': 'Clip' })
    await query(`update inventories set rows = rows || '{"lens/a/focal": "70-24"}'`)
    expect(await loadInventory()).toMatchObject({ refusal: { code: 'damaged-row', where: 'lens/a/focal' } })
    expect((await inventoryNow()).inventory.rows).toEqual({})
    await query('delete from inventories')
    expect(must(await loadInventory()).inventory.rows).toEqual({})
  })
})

describe('the save protocol on the inventory', () => {
  it.each([
    ['whatever becomes of messages, tabs and servers', false],
    ['when the log itself is made anew or an older copy is put back', true],
  ])(
    'loses and doubles nothing, and leaves nobody stuck, %s',
    async (_name, resets) => {
      await fc.assert(
        fc.asyncProperty(stories(40, resets), async (story) => {
          const keeper = new InventoryKeeper()
          expect(await new World(inventoryStuff(), keeper).live(story)).toBeNull()
          await keeper.end()
        }),
        { numRuns: Number(process.env.SALT_SHELF_RUNS ?? 12) },
      )
    },
    120_000,
  )
})
