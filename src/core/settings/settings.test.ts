import { planOf, stepFor } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { lenses, models } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { baseRow, defaultWhereabouts } from '../plan/cells'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { keyRow, noteRow } from '../plan/rows'
import { applyStep, setRows } from '../plan/step'
import { startedPlan } from '../reach/needs'
import { usualContext, type Context } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { readySets } from '../vocabulary/situations'
import { subjectOf, subjects } from '../vocabulary/subjects'
import { commonSettings } from '../vocabulary/catalogue'
import { searchWords } from '../vocabulary/synonyms'
import { enablingItems } from './enabling'
import { countedStates, filteredLines, searchText, type LineFacts } from './filter'
import { inForce, wayTo } from './in-force'
import { inNoMenu, settingLines } from './lines'
import { notedOfLine, plannedInLine, saidOfLines } from './mark'
import { standingsOf } from './standing'
import { elsewhereWords } from './words'

const nothing: LineFacts = {
  problems: new Set(),
  idle: new Set(),
  enabling: new Set(),
  wordsOf: (line) => searchText(line, searchWords('setting', line.means)),
}
const withRows = (rows: Record<string, unknown>) => must(parsePlan(heron, rows))
const on = (plan: Plan, rows: object) =>
  must(applyStep(heron, plan, setRows(plan, 's', rows as Record<string, null>)))
const stands = (plan: Plan, line: string) => {
  const standing = standingsOf(heron, plan).get(line)
  if (!standing) throw new Error(`${line} stands nowhere`)
  return standing
}

describe.each(models)('the lines of $name', (model) => {
  it('are the whole menu in its order, every act of it, and then what stands in no menu', () => {
    const lines = settingLines(model)
    const ids = lines.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const { id } of model.settings) expect(ids).toContain(id)
    const inMenu = lines.filter(({ address }) => address !== null)
    expect(inMenu.map(({ id }) => id)).toEqual([...lookup(model).menuPlaces.keys()])
    expect(lines.slice(inMenu.length).every(({ page }) => page === inNoMenu)).toBe(true)
  })

  it('can every one be planned or spoken about, so that none is left not looked at', () => {
    let plan = emptyPlan(model)
    const set = (rows: object) => {
      plan = must(applyStep(model, plan, setRows(plan, 's', rows as Record<string, null>)))
    }
    for (const { id, isByHand, kind } of settingLines(model)) {
      const setting = lookup(model).settings.get(id)
      const cell = standingsOf(model, plan).get(id)?.cells[0]
      if (kind === 'setting' && !isByHand && setting) {
        expect(cell, id).toBeDefined()
        if (cell) set(plannedInLine(plan, id, cell.row, setting.factory))
      } else set(saidOfLines(model, plan, [id], 'left'))
    }
    expect(countedStates(model, plan).open).toBe(0)
  })
})

describe('where a line stands', () => {
  it('is not looked at, then left, not in my work, or changed, whichever the plan says', () => {
    const plan = withRows({
      'line/body.sounds': 'left',
      'line/network.wireless': 'not-mine',
      'base/focus.lamp': false,
    })
    expect(stands(plan, 'body.sounds').state).toBe('left')
    expect(stands(plan, 'network.wireless').state).toBe('not-mine')
    expect(stands(plan, 'focus.lamp').state).toBe('changed')
    expect(stands(plan, 'power.sleep').state).toBe('open')
  })

  it('is left on purpose where the delivered value is planned, and changed where a bank alone differs', () => {
    const lamp = lookup(heron).settings.get('focus.lamp')
    expect(stands(withRows({ 'base/focus.lamp': lamp?.factory }), 'focus.lamp').state).toBe('left')
    const rate = withRows({ 'bank/dial/ebb/side': 'motion', 'bank/dial/ebb/movie.frameRate': '100p' })
    expect(stands(rate, 'movie.frameRate').state).toBe('changed')
    expect(elsewhereWords(heron, rate, stands(rate, 'movie.frameRate').elsewhere)).toBe('Ebb')
  })

  it('is changed on a line that opens a page on which something is planned', () => {
    const keys = settingLines(heron).find(({ opens }) => opens === 'keys')
    if (!keys) throw new Error('the Heron has such a line')
    expect(stands(emptyPlan(heron), keys.id)).toMatchObject({ state: 'open', setUp: 0 })
    const plan = withRows({ 'key/stills/thumb-key/press': 'nothing' })
    expect(stands(plan, keys.id)).toMatchObject({ state: 'changed', setUp: 1 })
  })

  it('refuses to speak of a line the menu does not have, and any word it does not know', () => {
    expect(parsePlan(heron, { 'line/no.such': 'left' }).ok).toBe(false)
    expect(parsePlan(heron, { 'line/body.sounds': 'maybe' }).ok).toBe(false)
  })
})

describe('speaking of lines', () => {
  it('passes over what is planned, and changes nothing twice', () => {
    const plan = withRows({ 'base/focus.lamp': false, 'line/body.sounds': 'not-mine' })
    expect(saidOfLines(heron, plan, ['focus.lamp', 'body.sounds', 'power.sleep'], 'not-mine')).toEqual({
      'line/power.sleep': 'not-mine',
    })
    expect(saidOfLines(heron, plan, ['body.sounds'], null)).toEqual({ 'line/body.sounds': null })
  })

  it('is overtaken by a value: a line that is planned is in the work', () => {
    const plan = withRows({ 'line/focus.lamp': 'not-mine' })
    const next = on(plan, plannedInLine(plan, 'focus.lamp', rowNamed('base/focus.lamp'), false))
    expect(next.rows['line/focus.lamp' as never]).toBeUndefined()
    expect(stands(next, 'focus.lamp').state).toBe('changed')
  })

  it('puts a note beside every planned cell, or beside what is said of the line, and takes it away from all', () => {
    const sides = withRows({ 'base/focus.mode@stills': 'follow', 'base/focus.mode@motion': 'manual' })
    const why = notedOfLine(heron, sides, 'focus.mode', 'why', 'The stage moves')
    expect(Object.keys(why)).toHaveLength(2)
    const noted = on(sides, why)
    expect(stands(noted, 'focus.mode').notes.why).toBe('The stage moves')
    const left = withRows({ 'line/body.sounds': 'left' })
    const beside = notedOfLine(heron, left, 'body.sounds', 'why', 'The beep proves focus')
    expect(beside).toEqual({ [noteRow('why', rowNamed('line/body.sounds'))]: 'The beep proves focus' })
    const gone = on(on(left, beside), notedOfLine(heron, on(left, beside), 'body.sounds', 'why', null))
    expect(stands(gone, 'body.sounds').notes).toEqual({})
  })

  it('only ever adds what parses again, whatever the plan', () => {
    fc.assert(
      fc.property(planOf(heron), fc.constantFrom('left', 'not-mine', null), (plan, said) => {
        const ids = settingLines(heron).map(({ id }) => id)
        const rows = saidOfLines(heron, plan, ids, said)
        const next = Object.keys(rows).length === 0 ? plan : on(plan, rows)
        const { open, 'not-mine': others } = countedStates(heron, next)
        if (said !== null) expect(open).toBe(0)
        else expect(others).toBe(0)
      }),
      { numRuns: 20 },
    )
  })

  it('counts every line once, after any step', () => {
    const planAndStep = planOf(heron).chain((plan) =>
      stepFor(heron, plan, 'step').map((step) => must(applyStep(heron, plan, step))),
    )
    fc.assert(
      fc.property(planAndStep, (plan) => {
        const total = Object.values(countedStates(heron, plan)).reduce((sum, count) => sum + count, 0)
        expect(total).toBe(settingLines(heron).length)
      }),
      { numRuns: 20 },
    )
  })
})

describe('finding lines', () => {
  const plan = withRows({
    'base/focus.lamp': false,
    'sure/base/focus.lamp': 'trial',
    'priority/base/focus.lamp': 'first-four',
    'line/body.sounds': 'left',
    'priority/line/body.sounds': 'first-seven',
    'situation/night/side': 'stills',
    'need/night/exposure.iso': ['30'],
    'need/night/focus.start': ['300'],
  })
  const found = (filter: Parameters<typeof filteredLines>[2], facts = nothing) =>
    filteredLines(heron, plan, filter, facts).map(({ id }) => id)

  it('goes by state, certainty and priority', () => {
    expect(found({ state: 'changed' })).toContain('focus.lamp')
    expect(found({ state: 'left' })).toEqual(['body.sounds'])
    expect(found({ only: 'unsure' })).toEqual(['focus.lamp'])
    expect(found({ only: 'first-four' })).toEqual(['focus.lamp'])
    expect(found({ only: 'first-seven' }).sort()).toEqual(['body.sounds', 'focus.lamp'])
    expect(found({ only: 'act' }).every((id) => lookup(heron).acts.has(id))).toBe(true)
  })

  it('goes by what a situation needs, and by what is known of lines', () => {
    expect(found({ need: 'night' })).toContain('exposure.iso')
    expect(found({ only: 'idle' }, { ...nothing, idle: new Set(['exposure.iso']) })).toEqual(['exposure.iso'])
  })

  it('understands every wording of a term, in part and in any order', () => {
    expect(found({ words: 'shake reduction' })).toContain('stabiliser.mode')
    expect(found({ words: 'highlighting edge' })).toContain('focus.peaking')
    expect(found({ words: 'no such words at all' })).toEqual([])
    expect(found({ words: 'lamp', state: 'changed' })).toEqual(['focus.lamp'])
  })

  it('has a subject for every common setting, the nearest that names it', () => {
    for (const id of commonSettings.keys()) expect(subjectOf(id), id).not.toBeNull()
    expect(subjectOf('focus.peaking')?.id).toBe('aids')
    expect(subjectOf('focus.area')?.id).toBe('focus')
    expect(subjectOf('image.kind')?.id).toBe('files')
    expect(subjectOf('image.shadowLift')?.id).toBe('colour')
    for (const subject of subjects)
      expect(
        [...commonSettings.keys()].some((id) => subjectOf(id) === subject),
        subject.id,
      ).toBe(true)
  })
})

const ready = (model: (typeof models)[number]) =>
  must(
    startedPlan(
      model,
      {},
      readySets.filter(({ side }) => model.sides.includes(side)),
    ),
  )

describe.each(models)('the enabling items of $name', (model) => {
  const plan = ready(model)
  const items = enablingItems(model, plan, lenses)

  it('are found, and each makes what it names work, by reckoning the plan with it', () => {
    expect(items.length).toBeGreaterThan(0)
    for (const { row, from, to, enables, isPlanned } of items) {
      const rows = { ...plan.rows, [row]: isPlanned ? from : to }
      const then = { ...plan, rows }
      const idleIn = (at: typeof plan, of: { readonly context: Context }, id: string) =>
        resolve(model, at, of.context)
          .settings.get(id)
          ?.remarks.some(({ kind, truth }) => truth === 'yes' && kind !== 'hazard')
      for (const { kind, id, side } of enables) {
        if (kind !== 'setting') continue
        const before = usualContext(model, plan, lenses, side)
        const after = usualContext(model, then, lenses, side)
        if (!before || !after) throw new Error('a side is looked at')
        expect([id, idleIn(plan, before, id)]).toEqual([id, !isPlanned])
        expect([id, idleIn(then, after, id)]).toEqual([id, isPlanned])
      }
    }
  })

  it('stand in menu order', () => {
    const order = settingLines(model).map(({ id }) => id)
    const places = items.map(({ setting }) => order.indexOf(setting))
    expect(places).toEqual([...places].sort((a, b) => a - b))
  })

  it('are planned once the plan has them, and enable then what they did', () => {
    const [missing] = items.filter(({ isPlanned }) => !isPlanned)
    if (!missing) return
    const next = { ...plan, rows: { ...plan.rows, [missing.row]: missing.to } }
    const again = enablingItems(model, next, lenses).find(({ row }) => row === missing.row)
    expect(again).toMatchObject({ isPlanned: true, from: missing.from, to: missing.to })
    expect(again?.enables.map(({ id }) => id)).toEqual(
      expect.arrayContaining(missing.enables.map(({ id }) => id)),
    )
  })
})

describe('played on the simulated bodies', () => {
  const held = {
    posture: 'finder',
    orientation: 'level',
    eye: true,
    situation: { subject: 'a puppet' },
  } as const
  const standing = (model: BodyModel, plan: Plan, side: Side) => {
    const usual = usualContext(model, plan, lenses, side)
    if (!usual) throw new Error('a side is looked at')
    return liveAt(model, plan, { ...usual.context, ...held })
  }

  it('every value named as refused is refused by the body, for the reason given', () => {
    let played = 0
    for (const model of models) {
      const plan = emptyPlan(model)
      for (const { id } of model.settings)
        for (const { side, refused } of inForce(model, plan, lenses, id))
          for (const { value, because } of refused) {
            const event = { kind: 'menu', setting: id, value } as const
            const { log } = must(live(model, standing(model, plan, side), event))
            expect([model.id, id, log.map(({ kind }) => kind)]).toEqual([model.id, id, ['refused']])
            expect(log[0]?.words).toContain(because)
            played++
          }
    }
    expect(played).toBeGreaterThan(10)
  })

  it('a dial that an enabling item is named for does nothing before it, and something after', () => {
    let played = 0
    for (const model of models) {
      const dials = [...lookup(model).addresses.values()].filter(
        ({ side, gesture, when, factory, control }) =>
          side === 'stills' && gesture.id === 'turn' && when === null && factory && !control.presence,
      )
      const rows = Object.fromEntries(dials.map((address) => [keyRow(address), address.factory]))
      const plan = must(parsePlan(model, rows))
      const isDead = (of: Plan, id: string) => {
        const control = lookup(model).addresses.get(id)?.control.id ?? ''
        const event = { kind: 'turn', control, gesture: 'turn', clicks: 1 } as const
        const { log } = must(live(model, standing(model, of, 'stills'), event))
        return log.some(({ words }) => /does nothing/.test(words))
      }
      for (const { row, to, enables } of enablingItems(model, plan, lenses))
        for (const { kind, id } of enables) {
          if (kind !== 'key') continue
          expect([model.id, id, isDead(plan, id)]).toEqual([model.id, id, true])
          const set = { ...plan, rows: { ...plan.rows, [row]: to } }
          expect([model.id, id, isDead(set, id)]).toEqual([model.id, id, false])
          played++
        }
    }
    expect(played).toBeGreaterThan(2)
  })
})

describe('what an owner has decided', () => {
  it('is not offered to be undone for what hangs on it', () => {
    const needs = { 'situation/night/side': 'stills', 'need/night/focus.detectionSubject': ['8'] }
    const named = (rows: object) =>
      enablingItems(heron, withRows({ ...needs, ...rows }), lenses).map(({ setting }) => setting)
    expect(named({ 'base/focus.detection@stills': false })).not.toContain('focus.detection')
  })

  it('is one item where one cell serves both sides', () => {
    for (const model of models)
      for (const { row, sides } of enablingItems(model, ready(model), lenses)) {
        expect(new Set(sides).size).toBe(sides.length)
        expect([row, sides.length === 1 || !/@(stills|motion)$/.test(row)]).toEqual([row, true])
      }
  })
})

describe('what a setting comes to', () => {
  it('says on each side what is in force, why another value stands there, and why it does nothing', () => {
    const [stills] = inForce(heron, emptyPlan(heron), lenses, 'exposure.iso')
    expect(stills).toMatchObject({ side: 'stills', replaced: null })
    expect(stills?.idle).toMatch(/ISO/)
    const manual = withRows({ 'base/exposure.isoAuto@stills': false })
    expect(inForce(heron, manual, lenses, 'exposure.iso')[0]?.idle).toBeNull()
    expect(inForce(heron, manual, lenses, 'no.such')).toEqual([])
  })

  it('names the values that cannot be chosen as the camera stands, and a way to each of them or why there is none', () => {
    let refused = 0
    for (const model of models)
      for (const { id } of model.settings)
        for (const { side, refused: values } of inForce(model, emptyPlan(model), lenses, id))
          for (const { value, because } of values.slice(0, 1)) {
            expect(because).not.toBe('')
            if (refused++ % 12 > 0) continue
            const way = wayTo(model, emptyPlan(model), lenses, { setting: id, value, side })
            expect([id, (way?.steps.length ?? 0) > 1 || way?.none !== null]).toEqual([id, true])
          }
    expect(refused).toBeGreaterThan(10)
  })

  it('plans a value in the row that is read', () => {
    const setting = lookup(heron).settings.get('exposure.isoAuto')
    if (!setting) throw new Error('the Heron has auto ISO')
    const row = baseRow({}, setting, defaultWhereabouts(heron, 'stills'))
    const plan = on(emptyPlan(heron), plannedInLine(emptyPlan(heron), setting.id, row, false))
    expect(inForce(heron, plan, lenses, setting.id)[0]?.value).toBe(false)
  })
})
