import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, models } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { heron } from '@tests/fixtures/heron'
import type { BodyModel } from '../model/types'
import { lookup } from '../model/lookup'
import { emptyPlan, type Plan } from '../plan/plan'
import {
  bankFactRow,
  bankRow,
  baseCellOf,
  baseCellRow,
  bodyFirmwareRow,
  isSlotRow,
  keyRow,
  type RowId,
} from '../plan/rows'
import { setRows, applyStep } from '../plan/step'
import { must } from '../result'
import { catalogue, isProcedure, type ProcedureId } from './catalogue'
import { composeProcedure, startOf } from './compose'
import { orderFor } from './order'
import { bodyFor, heldAfter, notAsWanted, play } from './play'
import { emptyWalk, saidOf, sayingOf, walkKind } from './progress'
import type { SetOrder } from './wanted'

const named = models.map((model) => [model.name, model] as const)
const deliveredOrder = (model: BodyModel, plan: Plan) => orderFor(model, plan, lenses, null, 'delivered')
const withRows = (model: BodyModel, rows: Parameters<typeof setRows>[2]): Plan =>
  must(applyStep(model, emptyPlan(model), setRows(emptyPlan(model), 's', rows)))

/** The plan set on a body, by playing every act. */
function setOn(order: SetOrder) {
  const procedure = composeProcedure('set-plan', { order })
  return { procedure, ...play(order, procedure, bodyFor(order, order.from)) }
}

/** Rows that are not as wanted and that no line of the procedure names. */
function unnamed(order: SetOrder, { procedure, state }: ReturnType<typeof setOn>) {
  const told = new Set(procedure.undone.map(({ row }) => row))
  return notAsWanted(order, state.body.memory).filter((row) => !told.has(row))
}

describe.each(named)('setting a plan on %s', (_, model) => {
  it('leaves the body holding exactly the plan, refuses nothing on the way, and names what cannot be set', () => {
    fc.assert(
      fc.property(planOf(model), fc.constantFrom(...model.firmware), (plan, { version }) => {
        const order = { ...deliveredOrder(model, plan), firmware: version }
        const set = setOn(order)
        expect(set.refused).toEqual([])
        expect(unnamed(order, set)).toEqual([])
        expect(new Set(set.procedure.acts.map(({ id }) => id)).size).toBe(set.procedure.acts.length)
      }),
      { numRuns: 12 },
    )
  })

  it('has nothing left to do on a body that holds the plan, but for every line, by choice', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const order = deliveredOrder(model, plan)
        const { state, procedure } = setOn(order)
        const again = composeProcedure('set-plan', { order: { ...order, from: state.body.memory } })
        const stuck = new Set(procedure.undone.map(({ row }) => row))
        expect(
          again.acts.filter(({ kind, row }) => kind !== 'stand' && row !== null && !stuck.has(row)),
        ).toEqual([])
        expect(
          composeProcedure('set-plan', { order: { ...order, every: true } }).acts.length,
        ).toBeGreaterThanOrEqual(procedure.acts.length)
      }),
      { numRuns: 4 },
    )
  })

  it('goes from one plan to another on the same body', () => {
    fc.assert(
      fc.property(planOf(model), planOf(model), (one, other) => {
        const before = setOn(deliveredOrder(model, one)).state.body.memory
        const order = { ...deliveredOrder(model, other), from: before }
        const set = setOn(order)
        expect(set.refused).toEqual([])
        // A bank that only the former plan used stays: nothing on a body empties one.
        const used = (row: RowId) => !isSlotRow(row) || set.procedure.acts.some((act) => act.row === row)
        expect(unnamed(order, set).filter(used)).toEqual([])
      }),
      { numRuns: 5 },
    )
  })
})

describe('setting a plan', () => {
  it('stores a bank from base, varies it, and stores it again as an act of its own', () => {
    const [family] = heron.families
    const [slot] = family?.slots ?? []
    const setting = heron.settings.find((one) => one.storedBy === family?.id && one.domain.kind === 'toggle')
    if (!family || !slot || !setting) throw new Error('the Heron has banks')
    const plan = withRows(heron, {
      [bankFactRow(family.id, slot.id, 'side')]: 'stills',
      [bankRow(family.id, slot.id, setting.id)]: setting.factory !== true,
    })
    const acts = composeProcedure('set-plan', { order: deliveredOrder(heron, plan) }).acts
    expect(acts.map(({ kind }) => kind)).toEqual(['store', 'stand', 'set', 'store', 'stand'])
    const [, , set, again] = acts
    expect(again?.after).toEqual([set?.id])
  })

  it('sets first what makes another line possible, and says for what', () => {
    const ten = { [rowNamed('base/movie.bits')]: 'ten' }
    const bits = (rows: Parameters<typeof setRows>[2]) =>
      composeProcedure('set-plan', { order: deliveredOrder(heron, withRows(heron, rows)) })
    const { acts } = bits({ ...ten, [rowNamed('base/movie.profile')]: 'log' })
    expect(acts.map(({ row }) => row)).toEqual(['base/movie.profile', 'base/movie.bits'])
    expect(acts[0]?.because).toBe('First, so that Bit depth can be set.')
    // Without the curve it cannot be chosen at all, and that is said with the camera's reason.
    expect(bits(ten)).toMatchObject({
      acts: [],
      undone: [{ row: 'base/movie.bits', because: '10 bit is recorded only with a flat or log tone curve.' }],
    })
  })

  it('names what the firmware of the body lacks, and leaves the rest to be done', () => {
    const late = heron.functions.find(({ since }) => since !== undefined)
    const oldest = heron.firmware[0]?.version ?? ''
    const address = [...lookup(heron).addresses.values()].find(
      ({ control, gesture, side }) =>
        late?.sides.includes(side) &&
        heron.functionLists[gesture.accepts]?.includes(late.id) &&
        control.kind === 'key',
    )
    if (!late || !address) throw new Error('the Heron has a function that came later')
    const plan = withRows(heron, {
      [keyRow(address)]: late.id,
      [rowNamed('base/focus.lamp')]: false,
      [bodyFirmwareRow('body-a')]: oldest,
    })
    const order = orderFor(heron, plan, lenses, 'body-a', 'delivered')
    expect(order.firmware).toBe(oldest)
    const { acts, undone } = composeProcedure('set-plan', { order })
    expect(undone.map(({ row }) => row)).toEqual([keyRow(address)])
    expect(undone[0]?.because).toContain('firmware')
    expect(acts.map(({ row }) => row)).toEqual(['base/focus.lamp'])
  })

  it('walks the menu page by page: never more presses than line by line as the plan lists them', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        const { acts } = composeProcedure('set-plan', { order: deliveredOrder(heron, plan) })
        const pages = acts
          .filter(({ kind, stands }) => kind === 'set' && stands === acts[0]?.stands)
          .map(({ part }) => part)
        const changes = pages.filter((page, i) => page !== pages[i - 1]).length
        const enabling = acts.filter(({ because }) => because?.startsWith('First')).length
        expect(changes).toBeLessThanOrEqual(new Set(pages).size + enabling)
      }),
      { numRuns: 10 },
    )
  })

  it('says so where the definition names no menu line', () => {
    const bare = {
      ...heron,
      menu: heron.menu.map((page) => ({
        ...page,
        lines: page.lines.filter((line) => line !== 'focus.lamp'),
      })),
    }
    const plan = withRows(bare, { [rowNamed('base/focus.lamp')]: false })
    const { acts } = composeProcedure('set-plan', { order: deliveredOrder(bare, plan) })
    expect(acts.map(({ where }) => where)).toEqual([
      'The definition names no menu line for it: look for it on the body',
    ])
  })
})

describe.each(named)('every procedure of %s', (_, model) => {
  it('is composed of acts that the simulated body does, with gates that come before them', () => {
    fc.assert(
      fc.property(planOf(model), (plan) => {
        const order = deliveredOrder(model, plan)
        for (const { id } of catalogue) {
          const procedure = composeProcedure(id, { order })
          const ids = procedure.acts.map((act) => act.id)
          expect([id, new Set(ids).size]).toEqual([id, ids.length])
          for (const [i, act] of procedure.acts.entries())
            for (const gate of act.after)
              expect([act.id, ids.indexOf(gate) < i && ids.includes(gate)]).toEqual([act.id, true])
          expect([id, play(order, procedure, bodyFor(order, startOf(id, order))).refused]).toEqual([id, []])
        }
      }),
      { numRuns: 3 },
    )
  })
})

describe('the procedures', () => {
  const plan = emptyPlan(heron)
  const order = deliveredOrder(heron, plan)
  const acts = (id: ProcedureId, its: SetOrder = order) => composeProcedure(id, { order: its }).acts

  it('are known by name', () => {
    expect(isProcedure('first-day')).toBe(true)
    expect(isProcedure('last-day')).toBe(false)
  })

  it('keep important work behind a file that really opened in every editor of the plan', () => {
    const work = withRows(heron, {
      [rowNamed('situation/stage/side')]: 'stills',
      [rowNamed('situation/stage/name')]: 'Stage',
      [rowNamed('situation/stage/software')]: 'Darkroom Nine',
    })
    const all = acts('first-day', deliveredOrder(heron, work))
    const gate = all.find(({ id }) => id === 'do/important-work')
    const opened = all.filter(({ id }) => id.startsWith('do/open/'))
    expect(opened.map(({ words }) => words)).toEqual([
      'Open a picture from the card in Darkroom Nine (Stage)',
    ])
    expect(gate?.after).toEqual(expect.arrayContaining(opened.map(({ id }) => id)))
  })

  it('save and copy before anything is wiped', () => {
    const reset = acts('clean-start').find(({ events }) =>
      events.some((one) => one.kind === 'act' && one.act === 'reset-all'),
    )
    expect(reset?.after).toHaveLength(2)
    const format = acts('evening').find(({ warning }) => warning !== undefined)
    expect(format?.after).toEqual(['do/copy-one', 'do/copy-two', 'do/open-some'])
  })

  it('pair with the radio on first', () => {
    const words = acts('pairing').map((one) => one.words)
    expect(words.findIndex((one) => one.includes('Wireless'))).toBeLessThan(
      words.findIndex((one) => one.includes('Pair')),
    )
  })

  it('press every key that the plan assigns, and again in a bank in which it does something else', () => {
    const [family] = heron.families
    const [slot] = family?.slots ?? []
    const key = rowNamed('key/stills/thumb-key/press')
    const mode = lookup(heron).byMeaning.get('focus.mode')?.id ?? ''
    const rows = {
      [key]: 'start-focus',
      [bankFactRow(family?.id ?? '', slot?.id ?? '', 'side')]: 'stills',
      [bankRow(family?.id ?? '', slot?.id ?? '', mode)]: 'manual',
    }
    const pressed = acts('press-test', deliveredOrder(heron, withRows(heron, rows))).filter(
      ({ kind }) => kind === 'press',
    )
    expect(pressed.map(({ control }) => control)).toEqual(['thumb-key', 'thumb-key'])
    expect(pressed.map(({ expect: seen }) => seen?.startsWith('nothing'))).toEqual([false, true])
    expect(pressed[1]?.because).not.toBe(undefined)
  })

  it('give the causes that hold for certain first when it does not focus', () => {
    const mode = lookup(heron).byMeaning.get('focus.mode')
    const manual = withRows(heron, { [baseCellRow(mode?.id ?? '', 'stills')]: 'manual' })
    const [first, ...others] = acts('rescue', deliveredOrder(heron, manual))
    expect(first?.part).toBe('So in this plan')
    expect(first?.words).toContain('manual focus')
    expect(others.length).toBeLessThanOrEqual(4)
  })

  it('give only field moves that do on the simulated body what they say', () => {
    const { acts: given, undone } = composeProcedure('field-moves', { order })
    expect(new Set(given.map(({ part }) => part))).toContain('Prime')
    expect([...new Set(given.map(({ part }) => part)), ...undone.map(({ words }) => words)]).toHaveLength(3)
    for (const { because } of undone) expect(because).not.toBe('')
  })
})

describe('what a body is believed to hold', () => {
  it('follows the acts that were ticked, and nothing else', () => {
    fc.assert(
      fc.property(planOf(heron), fc.infiniteStream(fc.boolean()), (plan, ticks) => {
        const order = deliveredOrder(heron, plan)
        const procedure = composeProcedure('set-plan', { order })
        let walk = emptyWalk
        for (const act of procedure.acts.filter(({ row, kind }) => row !== null && kind !== 'stand')) {
          if (!ticks.next().value) continue
          const said = sayingOf(walk, procedure, act.id, {
            mark: 'done',
            who: 'me',
            at: '2026-11-29T10:00:00Z',
          })
          if (said.ok) walk = must(walkKind.apply(walk, { id: act.id, changes: said.value }))
        }
        const held = heldAfter(order, procedure, walk, order.from)
        const ticked = new Set(procedure.acts.flatMap((act) => (saidOf(walk, act.id) ? [act.row] : [])))
        const base = procedure.acts.filter(({ row }) => row !== null && baseCellOf(row) !== null)
        for (const { row, sets } of base) {
          const isTicked = ticked.has(row)
          expect([row, held[row ?? rowNamed('title')]]).toEqual([
            row,
            isTicked ? sets : order.from[row ?? rowNamed('title')],
          ])
        }
      }),
      { numRuns: 10 },
    )
  })
})
