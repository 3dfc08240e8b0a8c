import { showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import { baseRow, defaultWhereabouts } from '../../plan/cells'
import { rowValue, schoolRow } from '../../plan/rows'
import { settingLines } from '../../settings/lines'
import { standingsOf, stateWords } from '../../settings/standing'
import { inForce } from '../../settings/in-force'
import { disputes } from '../../vocabulary/schools'
import { tableUnder, wordsUnder } from '../blocks'
import { sideWords, type Given } from '../given'
import type { Block, Cell, Line } from '../types'
import { noted } from './notes'

/** Every line of the menu in its own order, with what is in force on each side, and what was decided. */
export function settingsPart(given: Given, all = true): Block[] {
  const { model, plan, lenses, stateIn } = given
  const standings = standingsOf(model, plan)
  const { settings } = lookup(model)
  const lines = settingLines(model).flatMap((line): Line[] => {
    const setting = settings.get(line.id)
    const standing = standings.get(line.id)
    if (!setting || !standing || setting.place === 'physical') return []
    if (!all && standing.state !== 'changed') return []
    const sides = inForce(model, plan, lenses, line.id, stateIn)
    return [
      {
        isQuiet: standing.state !== 'changed',
        cells: [
          { text: line.address ?? 'in no menu' },
          { text: line.label },
          ...model.sides.map((side): Cell => {
            const here = sides.find((one) => one.side === side)
            if (!here) return { text: '–' }
            const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
            return {
              text: `${showValue(setting.domain, here.value)}${here.replaced === null ? '' : ` (asked: ${showValue(setting.domain, here.asked)})`}`,
              row,
              value: here.value,
              isStrong: rowValue(plan.rows, row) !== null,
              ...(here.replaced !== null ? { mark: 'problem' as const } : {}),
            }
          }),
          { text: stateWords[standing.state] },
          noted(plan, standing.noted[0]),
        ],
      },
    ]
  })
  return tableUnder(
    'settings',
    all ? 'Settings, in the order of the menu' : 'Settings that were changed',
    ['Menu', 'Setting', ...model.sides.map((side) => sideWords[side]), 'State', 'Why, and how sure'],
    lines,
  )
}

/** What stands on marked dials and levers: set by hand, in no file and no bank. */
export function byHandPart({ model, plan, lenses, stateIn }: Given): Block[] {
  const lines = model.settings
    .filter(({ place }) => place === 'physical')
    .map((setting): Line => {
      const here = inForce(model, plan, lenses, setting.id, stateIn)
      const values = [...new Set(here.map(({ value }) => showValue(setting.domain, value)))]
      return { cells: [{ text: setting.label }, { text: values.join(', or '), isStrong: true }] }
    })
  return tableUnder('by-hand', 'Set by hand', ['Dial or lever', 'Stands at'], lines)
}

/** The side that was taken in every dispute among owners, in a line each. */
export function schoolsPart({ plan }: Given): Block[] {
  const lines = disputes.flatMap((dispute) => {
    const answer = rowValue(plan.rows, schoolRow(dispute.id))
    const school = dispute.schools.find(({ id }) => id === answer)
    return school ? [`${dispute.question} ${school.name}. ${school.reason}`] : []
  })
  return wordsUnder('schools', 'Your ways', lines)
}

/** The problems that are left, worst first. */
export function problemsPart(given: Given): Block[] {
  const left = given.findings().filter(({ severity }) => severity !== 'tidies')
  if (left.length === 0) return [{ part: 'problems', kind: 'heading', text: 'No problems left' }]
  const lines = left.map(({ title, reason, severity }): Line => ({
    cells: [
      { text: title, isStrong: true, ...(severity === 'blocks' ? { mark: 'problem' as const } : {}) },
      { text: reason },
    ],
  }))
  return tableUnder('problems', 'Problems left', ['What', 'Why'], lines)
}
