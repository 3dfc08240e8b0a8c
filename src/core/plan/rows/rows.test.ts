import { heron } from '@tests/fixtures/heron'
import { planOf, rowOf } from '@tests/fixtures/arbitrary'
import { lenses, models } from '@tests/fixtures/models'
import fc from 'fast-check'
import { readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { checks, runChecks } from '../../checks/checks'
import { lookup } from '../../model/lookup'
import { must } from '../../result'
import { invalidatedBy, parseRow, rowIdOf, rowKinds, rowStations, stationOf } from '.'
import { addressKeyOf, differsIn, forbiddenAt, forbidRow, isSlotRow, keyRow, notedRow, noteRow } from '.'
import { baseCellOf, bodyTagOf, differenceRow, variedOf, wantedOf } from '.'
import { rowNamed } from '@tests/fixtures/rows'

describe.each(models)('every row of $name', (model) => {
  it('is taken apart and put together again', () => {
    fc.assert(
      fc.property(rowOf(model), ([id]) => {
        expect(rowIdOf(must(parseRow(model, id)))).toBe(id)
      }),
      { numRuns: 150 },
    )
  })

  it('is at home in one station, and its notes beside it', () => {
    fc.assert(
      fc.property(rowOf(model), ([id]) => {
        const station = stationOf(model, id)
        expect(rowStations).toContain(station)
        const note = parseRow(model, noteRow('why', id))
        if (note.ok) expect(stationOf(model, rowIdOf(note.value))).toBe(station)
      }),
      { numRuns: 80 },
    )
  })
})

describe('a kind of row', () => {
  it('has a module of its own, and the table has every one', () => {
    const helpers = ['about', 'id', 'index', 'kind', 'plan-text', 'ranges', 'slot', 'takes']
    const modules = readdirSync(new URL('.', import.meta.url))
      .map((file) => file.replace(/\.ts$/, ''))
      .filter((name) => !name.endsWith('.test') && !helpers.includes(name))
    expect(rowKinds.map(({ kind }) => kind)).toHaveLength(modules.length)
    expect(new Set(rowKinds.map(({ kind }) => kind)).size).toBe(modules.length)
  })

  it('says what has to be reckoned anew', () => {
    const told = (id: string) => invalidatedBy(heron, rowNamed(id))
    const key = [...lookup(heron).addresses.values()][0]?.key ?? ''
    expect(told(`key/${key}`)).toEqual({ what: 'key', address: key })
    expect(told('base/focus.mode@motion')).toEqual({
      what: 'setting',
      setting: 'focus.mode',
      place: 'motion',
    })
    expect(told('bank/dial/ebb/movie.frameRate')).toMatchObject({ place: 'dial/ebb' })
    expect(told('bank/dial/ebb/side')).toEqual({ what: 'contexts' })
    expect(told('need/stage/focus.mode')).toEqual({ what: 'needs' })
    expect(told('why/base/focus.mode@motion')).toEqual({ what: 'words' })
    expect(told('share/focus.mode')).toEqual({ what: 'everything' })
    expect(told('no/such/row')).toEqual({ what: 'everything' })
  })
})

describe('reading an id without a model', () => {
  const key = keyRow({ key: 'stills/thumb-key/press' })

  it('tells what a row is about, and nothing of another kind', () => {
    expect(addressKeyOf(key)).toBe('stills/thumb-key/press')
    expect(addressKeyOf('keyboard/x')).toBeNull()
    expect(notedRow(noteRow('lock', key), 'lock')).toBe(key)
    expect(notedRow(noteRow('lock', key), 'why')).toBeNull()
    expect(wantedOf(`intent/thumb-focus/${key}`)).toBe(key)
    expect(forbiddenAt(forbidRow('playback', key), key)).toBe('playback')
    expect(forbiddenAt(forbidRow('playback', key), rowNamed('key/motion/thumb-key/press'))).toBeNull()
    expect(variedOf('bank/dial/ebb/movie.frameRate')).toEqual({
      family: 'dial',
      slot: 'ebb',
      setting: 'movie.frameRate',
    })
    expect(variedOf('bank/dial/ebb/side')).toBeNull()
    expect(isSlotRow('bank/dial/ebb/side')).toBe(true)
    expect(baseCellOf('base/focus.mode@motion')).toEqual({ setting: 'focus.mode', cell: 'motion' })
    expect(baseCellOf('base/focus.lamp')).toEqual({ setting: 'focus.lamp', cell: null })
    expect(bodyTagOf('body/heron-b/files.prefix')).toBe('heron-b')
    const differs = differenceRow('heron-b', rowNamed('base/focus.lamp'))
    expect(differsIn(differs, 'heron-b')).toBe('base/focus.lamp')
    expect(differsIn(differs, 'heron')).toBeNull()
    expect(differsIn('body/heron-b/files.prefix', 'heron-b')).toBeNull()
  })
})

describe('a finding', () => {
  it('is at home where its row is shown, or where its check says', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        for (const finding of runChecks(heron, plan, lenses)) {
          expect(rowStations).toContain(finding.station)
          const own = checks.find(({ id }) => id === finding.check)?.station
          expect(finding.station).toBe(own ?? stationOf(heron, finding.row))
        }
      }),
      { numRuns: 25 },
    )
  })
})
