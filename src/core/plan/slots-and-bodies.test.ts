import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, describeRow, showRow } from './rows'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { acceptedFunctions, listPlace } from '../model/controls'
import { lookup } from '../model/lookup'
import { contextIn } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { must } from '../result'
import { differencesOf, planFor } from './bodies'
import { parsePlan, plannedSlots } from './plan'
import { strayRows } from './stray'

const planOf = (rows: Rows) => must(parsePlan(heron, rows))
const stray = (rows: Rows, slot = 'flow') => {
  const plan = planOf(rows)
  const found = plannedSlots(heron, plan).find((one) => one.slot === slot)
  if (!found) throw new Error(`${slot} is unused`)
  return strayRows(heron, plan, found)
}

describe('what strays in a slot', () => {
  const rows: Rows = {
    [rowNamed('bank/dial/ebb/side')]: 'motion',
    [rowNamed('bank/dial/ebb/movie.profile')]: 'log',
    [rowNamed('bank/dial/flow/side')]: 'motion',
    [rowNamed('bank/dial/flow/startedFrom')]: 'ebb',
    [rowNamed('bank/dial/flow/movie.profile')]: 'log',
    [rowNamed('bank/dial/flow/movie.frameRate')]: '100p',
    [rowNamed('bank/dial/flow/exposure.iso')]: 'ISO 3200',
  }

  it('is residue where it is as in the slot it was started from, drift where it is not', () => {
    expect(stray(rows)).toEqual({
      residue: ['movie.profile'],
      drift: ['exposure.iso', 'movie.frameRate'],
    })
  })

  it('is none where it is meant, expected on site, explained, or equal to base after all', () => {
    expect(
      stray({
        ...rows,
        [rowNamed('bank/dial/flow/meant')]: ['movie.frameRate'],
        [rowNamed('bank/dial/flow/onSite')]: ['exposure.iso'],
        [rowNamed('why/bank/dial/flow/movie.profile')]: 'Graded together.',
      }),
    ).toEqual({ residue: [], drift: [] })
    expect(stray({ ...rows, [rowNamed('base/movie.profile')]: 'log' }).residue).toEqual([])
  })

  it('is all drift in a slot that was started from base', () => {
    expect(stray({ ...rows, [rowNamed('bank/dial/flow/startedFrom')]: 'base' }).residue).toEqual([])
    expect(stray(rows, 'ebb')).toEqual({ residue: [], drift: ['movie.profile'] })
  })

  it.each([
    ['from itself', 'bank/dial/flow/startedFrom', 'flow', 'started from base or ebb or slack'],
    [
      'with a setting meant that no slot keeps',
      'bank/dial/flow/meant',
      ['focus.lamp'],
      'settings that Dial banks keep',
    ],
    ['out of order', 'bank/dial/flow/meant', ['movie.size', 'exposure.iso'], 'in the order of the model'],
  ])('cannot be said %s', (_name, row, value, words) => {
    expect(parsePlan(heron, { [row]: value })).toMatchObject({
      refusal: { where: row, message: expect.stringContaining(words) as string },
    })
  })

  it('is told in words', () => {
    expect(describeRow(heron, rowNamed('bank/dial/flow/onSite'))).toBe('Bank Flow, changes on site')
    expect(showRow(heron, rowNamed('bank/dial/flow/onSite'), ['exposure.iso'])).toBe('ISO')
  })
})

describe('a body that differs', () => {
  const rows: Rows = {
    [rowNamed('base/focus.lamp')]: false,
    [rowNamed('body/heron-b/base/focus.lamp')]: true,
    [rowNamed('bank/dial/ebb/side')]: 'stills',
    [rowNamed('body/heron-b/bank/dial/ebb/exposure.iso')]: 'ISO 800',
  }
  const inBank = contextIn(heron, 'stills', { family: 'dial', slot: 'ebb' })
  const value = (setting: string, body?: string) =>
    resolve(heron, planOf(rows), body === undefined ? inBank : { ...inBank, body }).settings.get(setting)

  it('has its own value in the place of base or bank, and says so', () => {
    expect(value('focus.lamp')?.value).toBe(false)
    expect(value('focus.lamp', 'heron-b')?.chain.map((link) => link.layer)).toEqual([
      'factory',
      'base',
      'body',
    ])
    expect(value('exposure.iso', 'heron-b')?.value).toBe('ISO 800')
    expect(value('exposure.iso', 'heron-a')?.value).toBe('ISO 200')
  })

  it('has the plan with its differences in it', () => {
    const plan = planOf(rows)
    expect(differencesOf(plan, 'heron-b')).toEqual({
      'base/focus.lamp': true,
      'bank/dial/ebb/exposure.iso': 'ISO 800',
    })
    expect(planFor(plan, 'heron-b').rows[rowNamed('base/focus.lamp')]).toBe(true)
    expect(planFor(plan, 'heron-a')).toBe(plan)
  })

  it('differs in values of base and banks only', () => {
    expect(parsePlan(heron, { 'body/heron-b/bank/dial/ebb/name': 'Mine' })).toMatchObject({
      refusal: { code: 'unknown-row' },
    })
    expect(parsePlan(heron, { 'body/heron-b/focus.lamp': true })).toMatchObject({
      refusal: { code: 'not-local' },
    })
  })
})

it('a function has a page and a line in the list its gesture offers', () => {
  const address = lookup(heron).addresses.get('stills/cheek-key/press')
  if (!address) throw new Error('no cheek key')
  expect(listPlace(heron, address, 'nothing')).toEqual({ page: 1, line: 1 })
  const offered = acceptedFunctions(heron, address)
  expect(listPlace(heron, address, offered[7]?.id ?? '')).toEqual({ page: 1, line: 8 })
  expect(listPlace(heron, address, offered[8]?.id ?? '')).toEqual({ page: 2, line: 1 })
  expect(listPlace(heron, address, 'turn-iso')).toBeNull()
})
