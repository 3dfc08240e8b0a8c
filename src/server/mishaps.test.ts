import { randomUUID } from 'node:crypto'
import { afterAll, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { rowNamed } from '@tests/fixtures/rows'
import { newBody } from '@/core/camera/body'
import { type CarryNews } from '@/core/camera/carry'
import { carryStages } from '@/core/camera/stages'
import { carriedRows } from '@/core/camera/memory'
import { mishaps, type MishapId } from '@/core/camera/mishaps'
import { compareRows } from '@/core/files/compare'
import { factRow } from '@/core/inventory/rows'
import { must } from '@/core/result'
import { actOnBench } from './bench'
import { standingOf } from './beliefs'
import { listBodies, loadBody, putBody } from './bodies'
import { bodyCalled } from './body-known'
import { closePool } from './db'
import { allHistory, listHistory } from './history'
import { setInventory } from './inventory'
import { definitions } from './models'
import { createPlan } from './plans'
import { listTransfers } from './transfer-log'
import { carry } from './transfers'

afterAll(closePool)

const rate = rowNamed('base/movie.frameRate')
const stop = new AbortController().signal

async function body(more: Partial<ReturnType<typeof newBody>> = {}) {
  const [id, tag] = [randomUUID(), `m${randomUUID().slice(0, 8)}`]
  const state = { ...newBody(heron, `TH-${tag}`, '1.2'), ...more }
  await putBody({ id, tag, name: `Body ${tag}`, place: '', model: heron, state })
  return { id, tag }
}

async function told(going: AsyncGenerator<CarryNews>) {
  const all: CarryNews[] = []
  for await (const one of going) all.push(one)
  return all.at(-1)
}

const cases = carryStages.flatMap((stage) =>
  (Object.keys(mishaps) as MishapId[]).map((what) => [stage, what] as const),
)

describe('whatever goes wrong before any stage', () => {
  it.each(cases)(
    '%s, %s: what the body holds is told as it is, and there is a way back',
    async (stage, what) => {
      const plan = await createPlan(heron, { [rate]: '50p' })
      const { id } = await body()
      const before = must(await loadBody(id)).state
      must(await actOnBench(id, { act: 'mishap', mishap: { stage, what } }))
      const end = await told(carry({ kind: 'plan', id: plan }, id, { stop }))
      const { state, mishaps: left } = must(await loadBody(id))
      expect(left).toEqual([])
      const [line] = await listTransfers({ body: id })
      const isBefore = compareRows(heron, carriedRows(heron, state.memory), carriedRows(heron, before.memory))
      if (end?.kind === 'finished') {
        expect(line).toMatchObject({ outcome: 'identical' })
        expect(state.memory[rate]).toBe('50p')
      } else {
        expect(end).toMatchObject({ kind: 'refused' })
        expect(line?.outcome).toBe('refused')
        // What is said of the body is what a look into it shows.
        const held = isBefore.differences.length === 0 ? (state.pending ? 'loaded' : 'before') : 'plan'
        expect(line?.holds).toBe(held)
      }
      // The way back: mend the cause, and put the backup back, or carry anew where nothing was done.
      must(await actOnBench(id, { act: 'card', condition: 'ready' }))
      must(await actOnBench(id, { act: 'battery', percent: 80 }))
      const backup = line?.files.find(({ role }) => role === 'backup')
      if (!backup) return expect(isBefore.differences).toEqual([])
      const back = await told(carry({ kind: 'file', id: backup.id }, id, { stop }))
      expect(back).toMatchObject({ kind: 'finished' })
      expect(carriedRows(heron, must(await loadBody(id)).state.memory)).toEqual(
        carriedRows(heron, before.memory),
      )
    },
  )
})

describe('what is known of a body', () => {
  it('is nothing at first; after a transfer what it brought, since when, and how that is proven', async () => {
    const { id, tag } = await body()
    expect(await standingOf(must(await loadBody(id)))).toEqual({ belief: null, drift: [], doubts: [] })
    const plan = await createPlan(heron, { [rate]: '50p', [rowNamed('title')]: 'Known' })
    await told(carry({ kind: 'plan', id: plan }, id, { stop }))
    const standing = await standingOf(must(await loadBody(id)))
    expect(standing).toMatchObject({
      belief: { words: 'revision 1 of Known', how: 'read back', planId: plan, firmware: '1.2' },
      drift: [],
      doubts: [],
    })
    expect(must(await bodyCalled(tag, null)).belief).toMatchObject({ words: 'revision 1 of Known' })
    expect(await bodyCalled('no-such-body', null)).toMatchObject({ refusal: { code: 'unknown-body' } })
  })

  it('is in doubt, row by row, once the body is reset', async () => {
    const { id } = await body()
    const plan = await createPlan(heron, { [rate]: '50p' })
    await told(carry({ kind: 'plan', id: plan }, id, { stop }))
    must(await actOnBench(id, { act: 'reset' }))
    const { drift, doubts } = await standingOf(must(await loadBody(id)))
    expect(drift).toMatchObject([{ row: rate, left: '50p', right: '25p' }])
    expect(doubts).toEqual(['1 row is not as it was then.'])
  })

  it('stands in its history: transfers, files and what was done on the bench, each with what it names', async () => {
    const { id, tag } = await body()
    const plan = await createPlan(heron, { [rate]: '50p', [rowNamed('title')]: 'Happened' })
    await told(carry({ kind: 'plan', id: plan }, id, { stop }))
    must(await actOnBench(id, { act: 'save' }))
    must(await actOnBench(id, { act: 'battery', percent: 40 }))
    const { lines } = await listHistory({ ...allHistory, body: tag })
    expect(lines.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['transfer', 'file', 'bench']))
    expect(lines[0]).toMatchObject({ kind: 'bench', words: 'Battery at 40 %.', bodyTag: tag })
    const transfer = lines.find(({ kind }) => kind === 'transfer')
    expect(transfer).toMatchObject({ planId: plan, planTitle: 'Happened' })
    expect(transfer?.fileId).not.toBeNull()
    const ofFile = await listHistory({ ...allHistory, file: transfer?.fileId ?? '' })
    expect(ofFile.lines.some((one) => one.kind === 'transfer' && one.id === transfer?.id)).toBe(true)
    const found = await listHistory({ ...allHistory, plan, words: 'happened', kind: 'revision' })
    expect(found.lines).toMatchObject([
      { words: expect.stringContaining('Revision 1 of Happened') as string },
    ])
    const edits = await listHistory({ ...allHistory, plan, kind: 'edit' })
    expect(edits.lines).toMatchObject([{ planId: plan, words: 'Happened was changed: step 1' }])
    const paged = await listHistory({ ...allHistory, body: tag }, 1, 2)
    expect([paged.lines.length, paged.more]).toEqual([2, true])
  })

  it('has the lens that was put on it: one of its mount, told in its history', async () => {
    const { id, tag } = await body()
    const { lenses } = await definitions()
    const fits = lenses.find((one) => one.fits === heron.maker)
    const other = lenses.find((one) => one.fits !== heron.maker)
    must(await actOnBench(id, { act: 'lens', lens: fits?.id ?? '' }))
    expect(must(await loadBody(id)).lens).toBe(fits?.id)
    expect(await actOnBench(id, { act: 'lens', lens: other?.id ?? '' })).toMatchObject({
      refusal: { code: 'outside' },
    })
    const known = must(await bodyCalled(tag, null))
    expect(known.lenses.map(({ id: one }) => one)).toContain(fits?.id)
    expect(known.lenses.every(({ words }) => words.length > 10)).toBe(true)
    must(await actOnBench(id, { act: 'lens', lens: null }))
    const { lines } = await listHistory({ ...allHistory, body: tag, kind: 'bench' })
    expect(lines.map(({ words }) => words)).toEqual(['The lens is off.', `Lens: ${fits?.name ?? ''} is on.`])
  })

  it('refuses a firmware update on a low battery, and one that its model never had', async () => {
    const { id } = await body({ batteryPercent: 30 })
    expect(await actOnBench(id, { act: 'firmware', version: '2.0', anyway: true })).toMatchObject({
      refusal: { code: 'battery' },
    })
    expect(await actOnBench(id, { act: 'firmware', version: '9.9', anyway: true })).toMatchObject({
      refusal: { code: 'unknown-firmware' },
    })
  })

  it('goes to a newer firmware once it is charged and saved; then what it holds is in doubt, and its old file does not load', async () => {
    const tag = `f${randomUUID().slice(0, 8)}`
    await setInventory({
      ...{ [factRow('body', tag, 'name')]: 'Firmware day', [factRow('body', tag, 'model')]: 'tarrow-heron' },
      [factRow('body', tag, 'firmware')]: '1.2',
    })
    const found = (await listBodies()).bodies.find((one) => one.tag === tag)
    const id = found?.id ?? ''
    const plan = await createPlan(heron, { [rate]: '50p' })
    await told(carry({ kind: 'plan', id: plan }, id, { stop }))
    must(await actOnBench(id, { act: 'firmware', version: '2.0', anyway: false }))
    const after = must(await loadBody(id))
    expect([after.state.firmware, after.state.memory[rate]]).toEqual(['2.0', '50p'])
    expect((await standingOf(after)).doubts).toEqual([expect.stringContaining('Firmware was 1.2 then')])
    const [line] = await listTransfers({ body: id })
    const backup = line?.files.find(({ role }) => role === 'backup')?.id ?? ''
    expect(await told(carry({ kind: 'file', id: backup }, id, { stop }))).toMatchObject({
      kind: 'refused',
      refusal: { code: 'firmware' },
    })
    await told(carry({ kind: 'plan', id: plan }, id, { stop }))
    expect((await standingOf(must(await loadBody(id)))).doubts).toEqual([])
    await setInventory(
      Object.fromEntries(['name', 'model', 'firmware'].map((fact) => [factRow('body', tag, fact), null])),
    )
  })
})
