import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { factoryMemory, memoryOf } from '../camera/memory'
import { resolutionNow } from '../camera/live/key-presses'
import { liveAt } from '../camera/live/stand-at'
import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { columnsOf } from '../banks/columns'
import { planFor } from '../plan/bodies'
import { keyRow } from '../plan/rows'
import { acceptedFunctions } from '../model/controls'
import { commonSettings } from '../vocabulary/catalogue'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { contextsOf, usualContext } from '../resolve/context'
import { must } from '../result'
import { chosenFor } from './chosen'
import { sheetForm, sheetForms, type SheetKind } from './catalogue'
import { sheetParts } from './parts'
import { baseMeans } from './parts/brief'
import { composeSheet } from './sheet'
import type { Line, Sheet, Table } from './types'

function sheetOf(
  kind: SheetKind,
  model: BodyModel,
  plan: Plan,
  more: object = {},
  without: string[] = [],
): Sheet {
  const form = sheetForm(kind)
  if (!form) throw new Error(kind)
  const order = { model, plan, lenses, body: null, stand: 'Draft, step 3', isDraft: true, ...more }
  return composeSheet(form, order, without)
}

const tablesOf = (sheet: Sheet): Table[] =>
  sheet.blocks.flatMap((block) => (block.kind === 'table' ? [block] : []))
const textsOf = (line: Line | undefined) => line?.cells.map(({ text }) => text) ?? []
const wordsOf = (sheet: Sheet) =>
  sheet.blocks.flatMap((block) =>
    block.kind === 'words' ? block.lines : block.kind === 'heading' ? [block.text] : [],
  )
const planWith = (rows: Record<string, unknown>) => must(parsePlan(heron, rows))

describe('a sheet', () => {
  it('has something for every part that its owner may leave out, and nothing else', () => {
    for (const { id, parts } of sheetForms)
      expect([id, Object.keys(sheetParts[id])]).toEqual([id, parts.map((part) => part.id)])
  })

  it.each(sheetForms.map(({ id }) => [id]))(
    '%s: is composed of any plan of any model, and of nothing',
    (id) => {
      for (const [, model] of namedModels) {
        for (const plan of [emptyPlan(model), started(model, theatre)]) {
          const sheet = sheetOf(id, model, plan)
          expect(sheet.blocks.length).toBeGreaterThan(0)
          for (const { columns, lines } of tablesOf(sheet))
            for (const { cells } of lines) expect(cells).toHaveLength(columns.length)
        }
      }
    },
  )

  it('says of every key where it does nothing, and why it was put there', () => {
    const plan = planWith({
      'key/stills/thumb-key/press': 'start-focus-eyes',
      'why/key/stills/thumb-key/press': 'Found in the dark',
      'sure/key/stills/thumb-key/press': 'hearsay',
      'base/focus.mode@stills': 'manual',
    })
    const keys = tablesOf(sheetOf('full', heron, plan)).find(({ name }) => name === 'Keys, stills')
    const line = keys?.lines.find(({ cells }) => cells[2]?.row === 'key/stills/thumb-key/press')
    expect(textsOf(line)[3]).toMatch(/does nothing\. .*manual focus/i)
    expect(textsOf(line)[4]).toBe('Found in the dark. Hearsay.')
    expect([line?.cells[3]?.mark, line?.cells[4]?.mark]).toEqual(['problem', 'unsure'])
    expect(line?.isQuiet).toBe(false)
  })

  it('is for one body: its differences, firmware and prefix, and not the others’', () => {
    const plan = planWith({
      'base/focus.lamp': true,
      'body/heron-b/base/focus.lamp': false,
      'body/heron-b/firmware': '1.2',
      'body/heron-b/files.prefix': 'LHB',
    })
    const lampOn = (sheet: Sheet) =>
      tablesOf(sheet)
        .find(({ name }) => name === 'Settings, in the order of the menu')
        ?.lines.find(({ cells }) => cells[1]?.text === lookup(heron).settings.get('focus.lamp')?.label)
    const b = sheetOf('full', heron, plan, { body: { tag: 'heron-b', name: 'Heron B' } })
    expect(b.body).toMatch(/^Heron B, firmware 1\.2, .*LHB/)
    expect(textsOf(lampOn(b))[2]).toBe('off')
    expect(textsOf(lampOn(sheetOf('full', heron, plan)))[2]).toBe('on')
  })

  it('stands on the firmware of its body, and has what that camera has for itself', () => {
    const brought = heron.functions.find(({ since }) => since === '1.2')
    const address = [...lookup(heron).addresses.values()].find(
      (one) => brought && one.side === 'stills' && acceptedFunctions(heron, one).includes(brought),
    )
    if (!brought || !address) throw new Error('nothing came with firmware 1.2')
    const plan = planWith({
      [keyRow(address)]: brought.id,
      'body/heron-a/firmware': '1.0',
      'body/heron-b/firmware': '1.2',
      'body/heron-b/files.prefix': 'LHB',
    })
    const keyOn = (tag: string) => {
      const body = { tag, name: tag }
      const keys = tablesOf(sheetOf('full', heron, plan, { body })).find(
        ({ name }) => name === 'Keys, stills',
      )
      return textsOf(keys?.lines.find(({ cells }) => cells[2]?.row === keyRow(address)))[3]
    }
    expect(keyOn('heron-a')).toMatch(/firmware/i)
    expect(keyOn('heron-b')).not.toMatch(/firmware/i)
    const settings = (tag: string) =>
      tablesOf(sheetOf('full', heron, plan, { body: { tag, name: tag } })).flatMap(({ lines }) =>
        lines.map((line) => textsOf(line).join(' | ')),
      )
    expect(settings('heron-b').some((line) => line.includes('| LHB |'))).toBe(true)
    expect(settings('heron-a').some((line) => line.includes('LHB'))).toBe(false)
  })

  it('has the values that are looked at first, all of which cameras share', () => {
    expect(baseMeans.filter(([means]) => !commonSettings.has(means))).toEqual([])
    const [base] = tablesOf(sheetOf('public', heron, planWith({ 'base/colour.balanceMode@stills': 'day' })))
    const line = base?.lines.find(({ cells }) => cells[0]?.text === 'White balance')
    expect(textsOf(line)[1]).toMatch(/daylight/i)
  })

  it('without names where it is to be published', () => {
    const plan = planWith({
      title: 'Night rehearsals',
      'base/focus.lamp': false,
      'who/base/focus.lamp': 'Ottilie',
      'source/base/focus.lamp': 'a friend',
      'why/base/focus.lamp': 'It gives us away',
      'body/heron-b/files.prefix': 'LHB',
    })
    const text = JSON.stringify(sheetOf('public', heron, plan))
    for (const name of ['Night rehearsals', 'Ottilie', 'a friend', 'LHB']) expect(text).not.toContain(name)
    expect(text).toContain('It gives us away')
  })

  it('says row by row what differs from what it is held against, both named', () => {
    const plan = planWith({
      'base/exposure.aperture@stills': 'f/8',
      'why/base/exposure.aperture@stills': 'Two deep',
    })
    const against = { name: 'As delivered', memory: factoryMemory(heron) }
    const [table] = tablesOf(sheetOf('difference', heron, plan, { against }))
    expect(table?.columns.slice(2, 4)).toEqual(['This plan', 'As delivered'])
    expect(table?.lines.map(({ cells }) => cells[2]?.text)).toEqual(['f/8'])
    expect(textsOf(table?.lines[0])[4]).toBe('Two deep')
    const same = sheetOf('difference', heron, plan, {
      against: { name: 'it', memory: memoryOf(heron, plan) },
    })
    expect(wordsOf(same)).toContain('They are the same, row for row.')
  })

  it('holds two bodies against each other with what each has for itself: firmware and prefix', () => {
    const plan = planWith({
      'body/heron-a/firmware': '1.0',
      'body/heron-a/files.prefix': 'LHA',
      'body/heron-b/firmware': '1.2',
      'body/heron-b/files.prefix': 'LHB',
      'body/heron-b/base/focus.lamp': false,
    })
    const [table] = tablesOf(
      sheetOf('difference', heron, plan, {
        body: { tag: 'heron-b', name: 'Heron B' },
        against: { name: 'Heron A', tag: 'heron-a', memory: memoryOf(heron, planFor(plan, 'heron-a')) },
      }),
    )
    expect(table?.columns.slice(2, 4)).toEqual(['Heron B', 'Heron A'])
    expect(table?.lines.map((line) => textsOf(line).slice(2, 4).join(' / '))).toEqual([
      'off / on',
      '1.2 / 1.0',
      'LHB / LHA',
    ])
  })

  it('names a function’s place on another body of the owner’s, and what is absent there', () => {
    const pocket = modelCalled('pell-pocket')
    const others = [{ name: 'Workshop', model: pocket, plan: emptyPlan(pocket) }]
    const [table] = tablesOf(sheetOf('continuity', heron, emptyPlan(heron), { others }))
    const places = table?.lines.map(({ cells }) => cells[3]?.text ?? '') ?? []
    expect(places.some((text) => text === 'absent on Pocket')).toBe(true)
    expect(places.some((text) => text !== '' && !text.startsWith('absent') && text !== 'on no key')).toBe(
      true,
    )
  })

  it('leaves out parts, and remembers paper and three things of one’s own with the plan', () => {
    const plan = planWith({
      'sheet/pocket/without': ['banks', 'moves'],
      'sheet/pocket/paper': 'card',
      'sheet/pocket/remember': ['Card in the left pocket'],
    })
    const form = sheetForm('pocket')
    if (!form) throw new Error('no pocket card')
    expect(chosenFor(plan, form)).toEqual({ paper: 'card', without: ['banks', 'moves'] })
    expect(wordsOf(sheetOf('pocket', heron, plan))).toContain('Card in the left pocket')
    expect(sheetOf('pocket', heron, plan, {}, ['base']).blocks.map(({ part }) => part)).not.toContain('base')
    expect(parsePlan(heron, { 'sheet/pocket/remember': ['1', '2', '3', '4'] }).ok).toBe(false)
  })

  it('lists each lens with what to type, and what is dead with it', () => {
    const plan = planWith({ 'lens/tarrow-45': true, 'lens/attic-90': true })
    const [table] = tablesOf(sheetOf('lens', heron, plan))
    expect(table?.columns).toHaveLength(3)
    const line = (name: string) => textsOf(table?.lines.find(({ cells }) => cells[0]?.text === name))
    expect(line('Focal length to type').slice(1).toSorted()).toEqual(['90 mm', 'none, the body knows it'])
    // 1/90 and 1/45 in the hand, without a stabiliser said.
    expect(line('Slowest shutter speed by hand').join(' ')).toMatch(/1\/100|1\/90/)
  })
})

describe('what a sheet says is in force', () => {
  const held = { posture: 'finder', orientation: 'level', eye: true } as const

  it('is what the simulated body answers: every value of every bank, on every model and plan', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), (plan) => {
          const columns = columnsOf(model, plan, lenses)
          const tables = tablesOf(sheetOf('banks', model, plan)).filter(
            ({ columns: names }) => names[1] === 'Menu',
          )
          for (const side of model.sides) {
            const shown = columns.filter((one) => one.side === side)
            const table = tables.find(({ name }) => name === `Banks, ${side}`)
            shown.forEach((column, i) => {
              // A hold set is a key held down: the bodies are pressed in its own tests.
              if (column.kind === 'hold') return
              const now = resolutionNow(model, liveAt(model, plan, { ...column.context, ...held }))
              for (const line of table?.lines ?? []) {
                const cell = line.cells[i + 2]
                const setting = model.settings.find(({ label }) => label === line.cells[0]?.text)
                const value = setting && now.settings.get(setting.id)?.value
                if (!setting || value === undefined || cell?.value === undefined) continue
                const possible = now.settings.get(setting.id)?.possible ?? []
                if (possible.length > 1) continue
                expect([model.id, column.id, setting.id, cell.text.replace(' (replaced)', '')]).toEqual([
                  model.id,
                  column.id,
                  setting.id,
                  showValue(setting.domain, value),
                ])
              }
            })
          }
        }),
        { numRuns: 6 },
      )
  })

  it('is what the simulated body answers: every line of the menu on every side', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), (plan) => {
          const settings = tablesOf(sheetOf('full', model, plan)).find(
            ({ name }) => name === 'Settings, in the order of the menu',
          )
          model.sides.forEach((side, i) => {
            const usual = usualContext(model, plan, lenses, side)
            if (!usual) return
            const now = resolutionNow(model, liveAt(model, plan, { ...usual.context, ...held }))
            for (const { cells } of settings?.lines ?? []) {
              const setting = model.settings.find(({ label }) => label === cells[1]?.text)
              const here = setting && now.settings.get(setting.id)
              if (!setting || !here || here.possible.length > 1) continue
              const [said] = (cells[i + 2]?.text ?? '').split(' (asked: ')
              expect([model.id, side, setting.id, said]).toEqual([
                model.id,
                side,
                setting.id,
                showValue(setting.domain, here.value),
              ])
            }
          })
        }),
        { numRuns: 4 },
      )
  })

  it('is what the simulated body has on every key', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), (plan) => {
          for (const side of model.sides) {
            const [state] = contextsOf(model, plan, lenses, side)
            const keys = tablesOf(sheetOf('full', model, plan)).find(({ name }) => name === `Keys, ${side}`)
            if (!state || !keys) continue
            const now = resolutionNow(model, liveAt(model, plan, { ...state.context, ...held }))
            for (const { cells } of keys.lines) {
              const key = [...now.addresses.values()].find((one) => cells[2]?.row === keyRow(one.address))
              if (!key?.active) continue
              const fn = lookup(model).functions.get(key.functionId ?? '')
              const said = !fn || fn.manner === 'none' ? /^(nothing|empty on purpose)$/ : fn.name
              expect(cells[2]?.text).toMatch(said)
            }
          }
        }),
        { numRuns: 4 },
      )
  })
})
