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
  needRow,
  noteRow,
  type RowId,
} from '../plan/rows'
import { setRows, applyStep } from '../plan/step'
import { must } from '../result'
import { catalogue, isProcedure, type ProcedureId } from './catalogue'
import { composeProcedure, startOf } from './compose'
import { orderFor } from './order'
import { focusNow } from '../camera/live/key-presses'
import { live } from '../camera/live/live'
import { isRunning } from '../focus/outcome'
import { hold } from './hand'
import { heldAfter, notAsWanted, play } from './play'
import { emptyWalk, saidOf, sayingOf, walkKind } from './progress'
import { bodyFor, type SetOrder } from './wanted'

const named = models.map((model) => [model.name, model] as const)
const deliveredOrder = (model: BodyModel, plan: Plan) => orderFor(model, plan, lenses, null, 'delivered')
const withRows = (model: BodyModel, rows: Parameters<typeof setRows>[2]): Plan =>
  must(applyStep(model, emptyPlan(model), setRows(emptyPlan(model), 's', rows)))

/** The plan set on a body, by playing every act. */
function setOn(order: SetOrder) {
  const procedure = composeProcedure('set-plan', { order })
  return { procedure, ...play(order, procedure, order.from) }
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

  it('never stands anywhere without an act that says so, also where nothing could be set there', () => {
    for (const model of models) {
      const plans = fc.sample(planOf(model), { numRuns: 6, seed: 11 })
      for (const plan of plans) {
        const order = deliveredOrder(model, plan)
        const { acts } = composeProcedure('set-plan', { order })
        let stands: string | null = null
        for (const act of acts) {
          if (stands !== null && act.kind !== 'stand') expect([act.id, act.stands]).toEqual([act.id, stands])
          stands = act.stands
        }
        // A stand is followed by something that is done there, or is the way back at the end.
        acts.forEach((act, i) => {
          const next = acts[i + 1]
          if (act.kind === 'stand' && next?.kind === 'stand')
            expect([act.id, next.id]).toEqual([act.id, act.id])
        })
      }
    }
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
          expect([id, play(order, procedure, startOf(id, order)).refused]).toEqual([id, []])
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
    // Played, the simulated body says the same of both, and stands after each press as before.
    const order = deliveredOrder(heron, withRows(heron, rows))
    const procedure = composeProcedure('press-test', { order })
    const { acts: played, state } = play(order, procedure, startOf('press-test', order))
    const said = pressed.map(({ id }) =>
      played
        .find(({ act }) => act === id)
        ?.log.map(({ words }) => words)
        .join(' '),
    )
    expect(said[0]).toContain('AF start')
    expect(said[1]).toContain('does nothing')
    expect(state.held).toEqual([])
  })

  it('give the causes that hold for certain first when it does not focus', () => {
    const mode = lookup(heron).byMeaning.get('focus.mode')
    const manual = withRows(heron, { [baseCellRow(mode?.id ?? '', 'stills')]: 'manual' })
    const [first, ...others] = acts('rescue', deliveredOrder(heron, manual))
    expect(first?.part).toBe('So in this plan')
    expect(first?.words).toContain('manual focus')
    expect(others.length).toBeLessThanOrEqual(4)
  })

  it('say when it does not focus what the simulated body does: by hand nothing runs, and a half-press that may not focus does not', () => {
    for (const model of models) {
      const { byMeaning } = lookup(model)
      const [mode, half] = ['focus.mode', 'focus.halfPress'].map((means) => byMeaning.get(means)?.id ?? '')
      const manual = withRows(model, { [baseCellRow(mode ?? '', 'stills')]: 'manual' })
      const cell = byMeaning.get('focus.halfPress')?.place === 'side' ? 'stills' : null
      const thumb = withRows(model, { [baseCellRow(half ?? '', cell)]: false })
      const release = [...lookup(model).addresses.values()].find(
        ({ control, gesture, side }) =>
          control.kind === 'release' && gesture.id !== 'full' && side === 'stills',
      )
      for (const [plan, cause] of [
        [manual, 'cause/manual'],
        [thumb, 'cause/half-press'],
      ] as const) {
        const order = deliveredOrder(model, plan)
        const sure = acts('rescue', order).filter(({ part }) => part === 'So in this plan')
        expect([model.id, sure.map(({ id }) => id)]).toEqual([model.id, expect.arrayContaining([cause])])
        const down = release && live(model, bodyFor(order, startOf('rescue', order)), hold(release))
        expect([model.id, cause, down?.ok && isRunning(focusNow(model, down.value.state))]).toEqual([
          model.id,
          cause,
          false,
        ])
      }
      const delivered = acts('rescue', deliveredOrder(model, emptyPlan(model)))
      expect([model.id, delivered.map(({ id }) => id)]).not.toEqual([
        model.id,
        expect.arrayContaining(['cause/manual']),
      ])
    }
  })

  it('recover a bank of the demo’s kind: changed, left and recalled, it is as it was stored', () => {
    const [family] = heron.families
    const [slot] = family?.slots ?? []
    const plan = withRows(heron, { [bankFactRow(family?.id ?? '', slot?.id ?? '', 'side')]: 'motion' })
    const { acts: given } = composeProcedure('field-moves', { order: deliveredOrder(heron, plan) })
    expect(given.filter(({ part }) => part === 'Recover a bank')).toHaveLength(3)
  })

  it('bring back by the file what an update wiped, and restart for it', () => {
    const [oldest, , newest] = heron.firmware
    const readable = heron.firmware.find(
      ({ readsFilesFrom, version }) =>
        version !== oldest?.version && readsFilesFrom.includes(oldest?.version ?? ''),
    )
    const ids = acts('firmware-day', { ...order, firmware: oldest?.version ?? '' }).map(({ id }) => id)
    expect(newest).toBeDefined()
    expect(ids.some((id) => id.startsWith('act/load'))).toBe(readable?.version === heron.firmware[1]?.version)
    if (ids.some((id) => id.startsWith('act/load'))) expect(ids).toContain('do/restart#2')
  })

  it('go to the firmware that is asked for, name what lies in between, what comes that is needed, and what to look at again', () => {
    const [oldest, , newest] = heron.firmware
    const [brought] = heron.settings.filter(({ since, means }) => since === newest?.version && means !== null)
    const stamped = rowNamed('base/exposure.iso@stills')
    const needy = withRows(heron, {
      [stamped]: 'ISO 800',
      [noteRow('decidedOn', stamped)]: `${oldest?.version ?? ''} heron-a`,
      ...(brought ? { [needRow('dark-stage', brought.means ?? '')]: ['4'] } : {}),
    })
    const { acts: given } = composeProcedure('firmware-day', {
      order: { ...deliveredOrder(heron, needy), firmware: oldest?.version ?? '' },
      place: newest?.version ?? '',
    })
    const update = given.find(({ words }) => words.startsWith('Update to firmware'))
    expect(update?.words).toContain(newest?.version)
    expect(update?.because).toContain(`${heron.firmware[1]?.version ?? ''} lies in between`)
    expect(given.map(({ id }) => id)).toContain(`recheck/${stamped}`)
    if (brought) expect(given.some(({ words }) => words.includes(brought.label))).toBe(true)
  })

  it.each(named)(
    'reset %s and bring it back from its own file: played, it holds what it held',
    (_, model) => {
      fc.assert(
        fc.property(planOf(model), (plan) => {
          const from = startOf('press-test', deliveredOrder(model, plan))
          const given = { ...deliveredOrder(model, plan), from }
          const procedure = composeProcedure('reset-restore', { order: given })
          const played = play(given, procedure, from)
          expect(played.refused).toEqual([])
          expect(played.state.body.memory).toEqual(from)
          const reset = procedure.acts.findIndex(({ id }) => id.startsWith('act/') && id.includes('reset'))
          expect(reset).toBeGreaterThan(0)
        }),
        { numRuns: 4 },
      )
    },
  )

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
