import { rowNamed } from '@tests/fixtures/rows'
import { describe, expect, it, vi } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { bag, inventoryOf } from '@tests/fixtures/inventories'
import { MemoryKeeper } from '@tests/fixtures/memory-keeper'
import { followEdition } from '@/core/fit/edition'
import { planKind } from '@/core/plan/kind'
import { emptyPlan, type Plan } from '@/core/plan/plan'
import { describeStep, noteRow, titleRow } from '@/core/plan/rows'
import { setRows } from '@/core/plan/step'
import { headAfterAll } from '@/core/sync/head'
import type { Step } from '@/core/sync/step'
import type { Left } from '@/core/sync/client'
import type { Save } from '@/core/sync/protocol'
import { PlanDesk, type DeskStart, type Server } from './plan-desk'
import type { Sent } from '@/features/documents'
import type { Queue } from '@/features/documents'

const kind = planKind((id, edition) => (id === heron.id && edition === heron.version ? heron : null))
const theirs = (rows: Record<string, string | boolean>, onto: Plan = emptyPlan(heron)) =>
  setRows(onto, 'theirs', rows)

/** A desk with a queue in memory; `send` stands between it and the keeper. */
function deskWith(send: Server['save'] | null = null, left: Left | null = null) {
  const keeper = new MemoryKeeper(kind, emptyPlan(heron))
  let kept = left
  let made = 0
  const opened = keeper.opened()
  const start: DeskStart = {
    planId: 'p',
    epoch: opened.epoch,
    model: heron,
    lenses: [],
    plan: opened.document,
    version: 0,
    head: null,
    log: [],
    revision: null,
    newerEdition: null,
  }
  const queue: Queue = {
    open: () => Promise.resolve({ own: kept, others: [], former: [], trouble: null }),
    write: (now) => {
      kept = now
      return Promise.resolve(null)
    },
    remove: () => Promise.resolve(null),
  }
  const through = async (save: Save): Promise<Sent> => ({ kind: 'answer', answer: await keeper.save(save) })
  const desk = new PlanDesk(
    start,
    { ...unasked, save: send ?? through },
    { queue, newId: () => `step ${(made += 1)}`, wait: () => Promise.resolve() },
  )
  return { desk, keeper, through, kept: () => kept }
}

/** A queue that nobody opens. */
const unused: Queue = {
  open: () => Promise.reject(new Error('unused')),
  write: () => Promise.resolve(null),
  remove: () => Promise.resolve(null),
}

/** A server that has neither definitions nor earlier steps. */
const unasked = { definition: () => Promise.resolve(null), earlier: () => Promise.resolve(null) }

const lost: Sent = { kind: 'failed', status: null, refusal: null }

const settled = (desk: PlanDesk) => vi.waitFor(() => expect(desk.getView().saving).toBe('saved'))

describe('undo', () => {
  const titled = (i: number): Step => ({
    id: `made ${i}`,
    changes: [{ row: titleRow, from: i === 1 ? null : `Title ${i - 1}`, to: `Title ${i}` }],
  })
  const made = [1, 2, 3, 4, 5].map(titled)
  const begin = (earlier: Server['earlier']) => {
    const { desk, keeper } = deskWith()
    keeper.steps = [...made]
    const plan = { ...emptyPlan(heron), rows: { [titleRow]: 'Title 5' } }
    const start = {
      ...desk.start,
      plan,
      version: 5,
      head: headAfterAll(null, made),
      log: made.slice(3),
      epoch: keeper.opened().epoch,
    }
    let ids = 0
    return new PlanDesk(
      start,
      { ...unasked, save: async (save) => ({ kind: 'answer', answer: await keeper.save(save) }), earlier },
      { queue: unused, newId: () => `step ${(ids += 1)}`, wait: () => Promise.resolve() },
    )
  }

  it('asks for the steps before those at hand only when it reaches that far, and goes on through them', async () => {
    const asked: number[] = []
    const desk = begin((before) => {
      asked.push(before)
      return Promise.resolve(made.slice(Math.max(0, before - 3), before - 1))
    })
    expect(desk.getView().earlier).toBe(3)
    for (let i = 0; i < 2; i++) await desk.undo()
    expect(asked).toEqual([])
    for (let i = 0; i < 3; i++) await desk.undo()
    expect(asked).toEqual([4, 2])
    expect(desk.getView()).toMatchObject({ earlier: 0, plan: { rows: {} } })
    await desk.undo()
    expect(asked).toEqual([4, 2])
    await settled(desk)
  })

  it('says so when they cannot be had, and changes nothing', async () => {
    const desk = begin(() => Promise.resolve(null))
    for (let i = 0; i < 3; i++) await desk.undo()
    expect(desk.getView().plan.rows[titleRow]).toBe('Title 3')
    expect(desk.getView().refusal?.message).toContain('earlier steps')
  })
})

describe('a plan on the desk', () => {
  it('shows a step at once and calls it saved only when the server has it', async () => {
    const { desk, keeper, kept } = deskWith()
    desk.set({ [rowNamed('title')]: 'Mine' })
    expect(desk.getView()).toMatchObject({ saving: 'saving', plan: { rows: { title: 'Mine' } } })
    expect(kept()?.steps).toHaveLength(1)
    await settled(desk)
    expect(keeper.steps).toHaveLength(1)
    expect(kept()).toBeNull()
    expect(desk.getView().version).toBe(1)
  })

  it('makes no step of rows that hold the values already', () => {
    const { desk } = deskWith()
    expect(desk.set({ [rowNamed('title')]: null })).toBe(false)
    expect(desk.getView().log).toEqual([])
  })

  it('shows a refused step and changes nothing', () => {
    const { desk } = deskWith()
    expect(desk.set({ [rowNamed('base/movie.frameRate')]: '23p' })).toBe(false)
    expect(desk.getView()).toMatchObject({ refusal: { code: 'outside' }, plan: { rows: {} } })
  })

  it('undoes and redoes, each saved as a step of its own', async () => {
    const { desk, keeper } = deskWith()
    desk.set({ [rowNamed('title')]: 'Mine' })
    void desk.undo()
    expect(desk.getView().plan.rows).toEqual({})
    desk.redo()
    expect(desk.getView().plan.rows).toEqual({ title: 'Mine' })
    await settled(desk)
    expect(keeper.steps.map((step) => step.undoes ?? step.redoes)).toEqual([undefined, 'step 1', 'step 1'])
  })

  it('keeps the very same plan on the screen when the server has taken its steps', async () => {
    const { desk } = deskWith()
    desk.set({ [rowNamed('title')]: 'Mine' })
    const { plan } = desk.getView()
    await settled(desk)
    expect(desk.getView().plan).toBe(plan)
  })

  it('rebases silently on steps saved elsewhere on other rows', async () => {
    const { desk, keeper } = deskWith()
    keeper.steps = [theirs({ title: 'Theirs' })]
    desk.set({ [rowNamed('base/movie.frameRate')]: '50p' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      aside: [],
      plan: { rows: { title: 'Theirs', 'base/movie.frameRate': '50p' } },
    })
    expect(keeper.opened().document).toEqual(desk.getView().plan)
  })

  it('tells of a row changed elsewhere, keeps mine, and puts it back when asked', async () => {
    const { desk, keeper } = deskWith()
    keeper.steps = [theirs({ title: 'Theirs' })]
    desk.set({ [rowNamed('title')]: 'Mine' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      plan: { rows: { title: 'Theirs' } },
      aside: [{ row: 'title', mine: 'Mine', why: { kind: 'changed' } }],
    })
    const [about] = desk.getView().aside
    if (about) desk.settleConflict(about, 'mine')
    await settled(desk)
    expect(desk.getView()).toMatchObject({ plan: { rows: { title: 'Mine' } }, aside: [] })
    expect(keeper.steps).toHaveLength(2)
  })

  it('keeps trying while the server cannot be reached, and loses nothing', async () => {
    let failures = 3
    const { desk, keeper, through, kept } = deskWith((save) =>
      failures-- > 0 ? Promise.resolve(lost) : through(save),
    )
    const seen = new Set<string>()
    desk.subscribe(() => seen.add(desk.getView().saving))
    desk.set({ [rowNamed('title')]: 'Mine' })
    desk.set({ [rowNamed('title')]: 'Mine again' })
    await settled(desk)
    expect(seen).toContain('waiting')
    expect(keeper.steps).toHaveLength(2)
    expect(kept()).toBeNull()
  })

  it('learns of others’ steps when its own were saved and the answer was lost', async () => {
    let lose = true
    const { desk, keeper, through } = deskWith(async (save) => {
      const sent = await through(save)
      if (!lose) return sent
      lose = false
      keeper.steps = [...keeper.steps, theirs({ 'base/focus.lamp': false }, keeper.opened().document)]
      return lost
    })
    desk.set({ [rowNamed('title')]: 'Mine' })
    await settled(desk)
    desk.set({ [rowNamed('base/focus.lamp')]: true })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      link: { kind: 'good' },
      plan: { rows: { title: 'Mine', 'base/focus.lamp': true } },
      aside: [],
    })
    expect(keeper.opened().document).toEqual(desk.getView().plan)
  })

  it('goes on when its answer was lost and another changed the same row meanwhile', async () => {
    let lose = true
    const { desk, keeper, through } = deskWith(async (save) => {
      const sent = await through(save)
      if (!lose) return sent
      lose = false
      keeper.steps = [...keeper.steps, theirs({ title: 'Theirs' }, keeper.opened().document)]
      desk.set({ [rowNamed('title')]: 'Mine, later' })
      return lost
    })
    desk.set({ [rowNamed('title')]: 'Mine' })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      link: { kind: 'good' },
      plan: { rows: { title: 'Theirs' } },
      aside: [{ row: 'title', mine: 'Mine, later' }],
    })
  })

  it('takes up what an earlier visit could not save, and asks where it no longer fits', async () => {
    const fits = setRows(emptyPlan(heron), 'fits', { [rowNamed('title')]: 'Kept' })
    const clashes: Step = {
      id: 'clashes',
      changes: [{ row: rowNamed('base/movie.frameRate'), from: '50p', to: '25p' }],
    }
    const epoch = '00000000-0000-4000-8000-00000000e000'
    const { desk, keeper } = deskWith(null, { epoch, steps: [fits, clashes], aside: [] })
    await desk.resume()
    await settled(desk)
    expect(keeper.steps.map((step) => step.id)).toEqual(['fits'])
    expect(desk.getView()).toMatchObject({
      refusal: null,
      aside: [{ row: 'base/movie.frameRate', mine: '25p' }],
    })
  })

  it('takes up once what an earlier visit left, though it is asked to twice', async () => {
    const fits = setRows(emptyPlan(heron), 'fits', { [rowNamed('title')]: 'Kept' })
    const epoch = '00000000-0000-4000-8000-00000000e000'
    const { desk, keeper } = deskWith(null, { epoch, steps: [fits], aside: [] })
    await Promise.all([desk.resume(), desk.resume()])
    await settled(desk)
    expect(keeper.steps.map((step) => step.id)).toEqual(['fits'])
    expect(desk.getView()).toMatchObject({ aside: [], link: { kind: 'good' } })
  })

  it('asks nothing where an earlier visit left what the server has had all along', async () => {
    const step = setRows(emptyPlan(heron), 'done', { [rowNamed('title')]: 'Mine' })
    const undoing: Step = {
      id: 'undone',
      changes: [{ row: rowNamed('title'), from: 'Mine', to: null }],
      undoes: 'done',
    }
    const epoch = '00000000-0000-4000-8000-00000000e000'
    const { desk, keeper } = deskWith(null, { epoch, steps: [step, undoing], aside: [] })
    keeper.steps = [step, undoing]
    await desk.resume()
    await settled(desk)
    expect(desk.getView()).toMatchObject({ aside: [], refusal: null, version: 2, plan: { rows: {} } })
  })

  it('shows what was left from before the plan was put back as the owner’s, and sends nothing of it', async () => {
    const step = setRows(emptyPlan(heron), 'old', { [rowNamed('title')]: 'Mine' })
    const epoch = '00000000-0000-4000-8000-00000000eeee'
    const { desk, keeper } = deskWith(null, { epoch, steps: [step], aside: [] })
    await desk.resume()
    await settled(desk)
    expect(keeper.steps).toEqual([])
    expect(desk.getView().aside).toMatchObject([
      { row: 'title', mine: 'Mine', why: { kind: 'refused', refusal: { code: 'other-epoch' } } },
    ])
  })

  it('sets aside only what the server refuses, says why, and saves the rest', async () => {
    const refusal = { code: 'outside', message: 'not that', where: 'title' }
    const { desk, keeper, through } = deskWith(async (save) => {
      const [first] = save.steps
      if (first?.id !== 'step 1') return through(save)
      const { epoch } = keeper.opened()
      const answer = {
        epoch,
        from: 0,
        since: null,
        version: 0,
        known: [],
        entries: [],
        heads: [],
        kind: 'unfit' as const,
      }
      return { kind: 'answer', answer: { ...answer, step: first.id, refusal } }
    })
    desk.set({ [rowNamed('title')]: 'Mine' })
    desk.set({ [rowNamed('base/focus.lamp')]: false })
    await settled(desk)
    expect(desk.getView()).toMatchObject({
      plan: { rows: { 'base/focus.lamp': false } },
      aside: [{ row: 'title', mine: 'Mine', why: { kind: 'refused', refusal } }],
    })
    expect(keeper.steps.map((step) => step.id)).toEqual(['step 2'])
  })

  it('splits a save that is too large until only the step at fault is left, and sets that aside', async () => {
    const { desk, keeper, through } = deskWith((save) =>
      save.steps.some((step) => step.id === 'step 3')
        ? Promise.resolve({ kind: 'failed', status: 413, refusal: null })
        : through(save),
    )
    for (const title of ['a', 'b']) desk.set({ [rowNamed('title')]: title })
    desk.set({ [rowNamed('base/focus.lamp')]: false })
    desk.set({ [rowNamed('title')]: 'c' })
    await settled(desk)
    expect(keeper.steps.map((step) => step.id)).toEqual(['step 1', 'step 2', 'step 4'])
    expect(desk.getView().aside).toMatchObject([{ row: 'base/focus.lamp', mine: false }])
  })

  it('stops where saves are forbidden, keeps everything, and goes on when told to', async () => {
    let forbidden = true
    const { desk, keeper, through, kept } = deskWith((save) =>
      forbidden ? Promise.resolve({ kind: 'failed', status: 403, refusal: null }) : through(save),
    )
    desk.set({ [rowNamed('title')]: 'Mine' })
    await vi.waitFor(() => expect(desk.getView().saving).toBe('stopped'))
    expect(kept()?.steps).toHaveLength(1)
    forbidden = false
    desk.retry()
    await settled(desk)
    expect(keeper.steps).toHaveLength(1)
  })

  it('does not take its own steps back for what is wrong with the plan that is kept', async () => {
    const refusal = { code: 'damaged-row', message: 'A row cannot be read.', where: 'title' }
    const { desk, kept } = deskWith(() => Promise.resolve({ kind: 'failed', status: 409, refusal }))
    desk.set({ [rowNamed('title')]: 'Mine' })
    await vi.waitFor(() => expect(desk.getView().saving).toBe('stopped'))
    expect(desk.getView()).toMatchObject({
      plan: { rows: { title: 'Mine' } },
      aside: [],
      link: { cause: refusal },
    })
    expect(kept()?.steps).toHaveLength(1)
  })

  it('tells of a plan that was put back meanwhile, and keeps what was made here', async () => {
    const { desk, keeper, kept } = deskWith()
    await keeper.reset()
    desk.set({ [rowNamed('title')]: 'Mine' })
    await vi.waitFor(() => expect(desk.getView().saving).toBe('stopped'))
    expect(desk.getView()).toMatchObject({
      link: { cause: { code: 'other-epoch' } },
      plan: { rows: { title: 'Mine' } },
    })
    expect(kept()?.steps).toHaveLength(1)
  })

  it('takes in a step of somebody else that follows another edition, with the definition it names', async () => {
    const newer = { ...heron, version: heron.version + 1 }
    const both = planKind((_id, edition) => (edition === heron.version ? heron : newer))
    const keeper = new MemoryKeeper(both, emptyPlan(heron))
    const { step } = followEdition(heron, emptyPlan(heron), newer, 'follow')
    keeper.steps = [step]
    const { epoch } = keeper.opened()
    const base = deskWith()
    const desk = new PlanDesk(
      { ...base.desk.start, epoch, found: [] },
      {
        save: async (save) => ({ kind: 'answer', answer: await keeper.save(save) }),
        definition: () => Promise.resolve(newer),
        earlier: unasked.earlier,
      },
      { queue: unused, newId: () => 'mine', wait: () => Promise.resolve() },
    )
    desk.set({ [rowNamed('title')]: 'Mine' })
    await settled(desk)
    expect(desk.start.model).toBe(newer)
    expect(desk.start.found).toBeNull()
    expect(desk.getView().plan).toEqual({
      model: { id: heron.id, version: newer.version },
      rows: { title: 'Mine' },
    })
  })
})

describe('a plan with what its owner has beside it', () => {
  const lamp = rowNamed('base/focus.lamp')
  const prefix = rowNamed('body/heron-a/files.prefix')
  const home = rowNamed('lens/tarrow-45')

  function equippedDesk() {
    const base = deskWith()
    base.desk.equip(inventoryOf(bag))
    return base
  }

  it('shows what the inventory brings, and saves nothing of it', async () => {
    const { desk, keeper } = equippedDesk()
    expect(desk.getView().plan.rows).toMatchObject({ [prefix]: 'LHA', [rowNamed('lens/loft')]: true })
    expect(desk.brings(prefix)).toBe('LHA')
    desk.set({ [rowNamed('title')]: 'Mine' })
    await settled(desk)
    expect(keeper.opened().document.rows).toEqual({ title: 'Mine' })
  })

  it('lets go of what the server had found once there is something else beside it', () => {
    const { desk } = deskWith()
    const nobody = { ...unasked, save: () => Promise.reject(new Error('nothing is saved here')) }
    const other = new PlanDesk({ ...desk.start, found: [] }, nobody, {
      ...{ queue: unused, newId: () => 'mine', wait: () => Promise.resolve() },
    })
    expect(other.start.found).toEqual([])
    other.equip(inventoryOf(bag))
    expect(other.start.found).toBeNull()
  })

  it('sets over what it brings, and goes back to it by undo', async () => {
    const { desk, keeper } = equippedDesk()
    desk.set({ [prefix]: 'XYZ', [home]: false })
    await settled(desk)
    expect(keeper.opened().document.rows).toMatchObject({ [prefix]: 'XYZ', [home]: false })
    await desk.undo()
    await settled(desk)
    expect(keeper.opened().document.rows).toEqual({})
    expect(desk.getView().plan.rows[prefix]).toBe('LHA')
  })

  it('takes a step that was made from what is shown', () => {
    const { desk } = equippedDesk()
    const step = setRows(desk.getView().plan, 'made', { [prefix]: 'ABC' })
    expect(step.changes[0]?.from).toBe('LHA')
    expect(desk.applyStep(step)).toBe(true)
    expect(desk.getView().document.rows[prefix]).toBe('ABC')
    expect(desk.getView().refusal).toBeNull()
  })

  it('stamps what is set with the body in the hand, and says nothing of it in words', async () => {
    const { desk, keeper } = equippedDesk()
    expect(desk.hand).toMatchObject({ tag: 'heron-a', firmware: '2.0' })
    desk.set({ [lamp]: false })
    await settled(desk)
    expect(keeper.opened().document.rows).toEqual({
      [lamp]: false,
      [noteRow('decidedOn', lamp)]: '2.0 heron-a',
    })
    const [step] = desk.getView().log
    expect(step && describeStep(heron, step)).not.toMatch(/firmware/i)
    await desk.undo()
    await settled(desk)
    expect(keeper.opened().document.rows).toEqual({})
  })

  it('is told when the inventory changes, with other lenses only where they are others', () => {
    const { desk } = equippedDesk()
    let told = 0
    desk.subscribe(() => (told += 1))
    const { lenses } = desk.start
    desk.equip(inventoryOf({ ...bag, 'body/heron-b/firmware': '1.2' }))
    expect(told).toBeGreaterThan(0)
    expect(desk.start.lenses).toBe(lenses)
    expect(desk.getView().plan.rows[rowNamed('body/heron-b/firmware')]).toBe('1.2')
    desk.equip(inventoryOf({ ...bag, 'lens/loft/contacts': true }))
    expect(desk.start.lenses).not.toBe(lenses)
  })
})
