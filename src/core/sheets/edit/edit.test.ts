import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { lenses, namedModels } from '@tests/fixtures/models'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BodyModel } from '../../model/types'
import { parsePlan, type Plan } from '../../plan/plan'
import { applyStep, setRows } from '../../plan/step'
import { entriesOf } from '../../plan/rows'
import { must } from '../../result'
import { sheetForm, sheetForms } from '../catalogue'
import { composeSheet } from '../sheet'
import { editableLines, type EditableLine } from './editable'
import { editColumns, guarded, unguarded } from './form'
import { takeLines, type TypedLine } from './take'

function linesOf(model: BodyModel, plan: Plan): EditableLine[] {
  const form = sheetForm('full') ?? sheetForms[0]
  const order = { model, plan, lenses, body: null, stand: 'Draft', isDraft: true }
  return editableLines(model, plan, composeSheet(form, order))
}

/** A line as it comes back: written in the columns of the form, and read out of them. */
function back(line: EditableLine, over: Partial<Record<'Value' | 'Why', string>> = {}): TypedLine {
  const texts = Object.fromEntries(editColumns.map(({ name, of }) => [name, of(line)]))
  const [value = '', why = ''] = [
    over.Value ?? unguarded(texts.Value ?? ''),
    over.Why ?? unguarded(texts.Why ?? ''),
  ]
  return { at: `Edit, ${line.row}`, row: texts.Row ?? '', was: unguarded(texts.Was ?? ''), value, why }
}

const plan = must(
  parsePlan(heron, {
    'base/exposure.aperture@stills': 'f/4',
    'base/exposure.compensation@stills': '+0.7 EV',
    'base/exposure.iso@stills': 'ISO 400',
    'why/base/exposure.iso@stills': 'Enough by day',
  }),
)
const lineOf = (row: string) => {
  const found = linesOf(heron, plan).find((line) => line.row === row)
  if (!found) throw new Error(`no line ${row}`)
  return found
}
const taken = (row: string, over: Partial<Record<'Value' | 'Why', string>>, now = plan) =>
  takeLines(heron, now, [back(lineOf(row), over)])[0]

describe('a workbook that comes back', () => {
  it('changes nothing where nobody changed it, in any plan of any model', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), (some) => {
          const lines = takeLines(
            model,
            some,
            linesOf(model, some).map((line) => back(line)),
          )
          expect(lines.filter(({ fate }) => fate !== 'unchanged')).toEqual([])
        }),
        { numRuns: 5 },
      )
  })

  it('takes any choice of any line, and then says it is as it was', () => {
    for (const [, model] of namedModels)
      fc.assert(
        fc.property(planOf(model), fc.nat(), fc.nat(), (some, one, two) => {
          const all = linesOf(model, some).filter(({ choices }) => choices.length > 1)
          const line = all[one % Math.max(1, all.length)]
          const choice = line?.choices[two % line.choices.length]
          if (!line || choice === undefined) return
          const [found] = takeLines(model, some, [back(line, { Value: choice })])
          if (found?.fate !== 'taken') return
          const after = must(applyStep(model, some, setRows(some, 'taken', found.sets)))
          const [again] = takeLines(model, after, [{ ...back(line, { Value: choice }), was: null }])
          expect([line.row, choice, again?.fate]).toEqual([line.row, choice, 'unchanged'])
        }),
        { numRuns: 20 },
      )
  })

  it('reads a value as photographers write it, with a comma too, and refuses one that cannot be, with the reason', () => {
    expect(taken('base/exposure.aperture@stills', { Value: 'f/5,6' })).toMatchObject({
      fate: 'taken',
      sets: { 'base/exposure.aperture@stills': 'f/5.6' },
    })
    expect(taken('base/exposure.iso@stills', { Value: '800' })?.sets).toEqual({
      'base/exposure.iso@stills': 'ISO 800',
    })
    const refused = taken('base/exposure.iso@stills', { Value: 'ISO 3' })
    expect([refused?.fate, refused?.sets]).toEqual(['refused', {}])
    expect(refused?.because).not.toBe('')
  })

  it('made for one body changes what differs there, and the plan of all bodies elsewhere', () => {
    const differing = must(
      parsePlan(heron, {
        'base/focus.lamp': true,
        'base/exposure.iso@stills': 'ISO 400',
        'body/heron-b/base/focus.lamp': false,
      }),
    )
    const form = sheetForm('full') ?? sheetForms[0]
    const order = { model: heron, plan: differing, lenses, stand: 'Draft', isDraft: true }
    const sheet = composeSheet(form, { ...order, body: { tag: 'heron-b', name: 'B' } })
    const lines = editableLines(heron, differing, sheet, 'heron-b')
    const typed = (row: string, value: string) => {
      const line = lines.find((one) => one.row === row)
      if (!line) throw new Error(row)
      return takeLines(heron, differing, [back(line, { Value: value })])[0]?.sets
    }
    expect(typed('body/heron-b/base/focus.lamp', 'on')).toEqual({ 'body/heron-b/base/focus.lamp': true })
    expect(typed('base/exposure.iso@stills', 'ISO 800')).toEqual({ 'base/exposure.iso@stills': 'ISO 800' })
    expect(lines.map(({ row }) => row)).not.toContain('base/focus.lamp')
  })

  it('goes back to as delivered where a value was emptied, and takes a reason', () => {
    expect(taken('base/exposure.aperture@stills', { Value: '' })?.sets).toEqual({
      'base/exposure.aperture@stills': null,
    })
    expect(taken('base/exposure.iso@stills', { Why: 'Cleaner' })?.sets).toEqual({
      'why/base/exposure.iso@stills': 'Cleaner',
    })
    expect(taken('base/exposure.iso@stills', { Why: '' })?.sets).toEqual({
      'why/base/exposure.iso@stills': null,
    })
  })

  it('shows both values where it was changed here meanwhile', () => {
    const moved = must(
      parsePlan(heron, {
        ...Object.fromEntries(entriesOf(plan.rows)),
        'base/exposure.aperture@stills': 'f/8',
      }),
    )
    const line = taken('base/exposure.aperture@stills', { Value: 'f/2' }, moved)
    expect(line).toMatchObject({ fate: 'conflict', from: 'f/8', to: 'f/2' })
    expect(line?.because).toBe('It was f/4 when the file was written; here it is f/8 now.')
  })

  it('says of a line that names no row, or one twice, or a formula, what is wrong with it', () => {
    const line = back(lineOf('base/exposure.iso@stills'), { Value: 'ISO 800' })
    const lines = takeLines(heron, plan, [
      { ...line, at: '1', row: '' },
      { ...line, at: '2', row: 'base/exposure.mood' },
      { ...line, at: '3' },
      { ...line, at: '4', value: 'ISO 1600' },
      { ...back(lineOf('base/exposure.aperture@stills')), at: '5', problem: 'A formula stands there.' },
    ])
    expect(lines.map(({ at, fate }) => `${at} ${fate}`)).toEqual([
      '1 unknown',
      '2 unknown',
      '3 refused',
      '4 taken',
      '5 refused',
    ])
    expect(lines[2]?.because).toContain('stands again at 4')
  })

  it('guards what looks like a formula, and gives it back as it was written', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(unguarded(guarded(text))).toBe(text)
        expect(guarded(text)).not.toMatch(/^[=+\-@\t\r]/)
      }),
    )
    expect(lineOf('base/exposure.compensation@stills').value).toBe('+0.7 EV')
    expect(editColumns.map(({ of }) => of(lineOf('base/exposure.compensation@stills')))).toContain('+0.7 EV')
  })
})
