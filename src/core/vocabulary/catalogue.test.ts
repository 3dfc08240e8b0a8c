import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { commonFunctions, commonSettings } from './catalogue'
import { functionManners, units } from './common'
import { functionTable } from './functions'
import { settingTable } from './setting-table'
import { functionTerms, settingTerms } from './terms'
import { linesOf } from './text-table'
import { exposureSettings } from './settings/exposure'
import { focusSettings } from './settings/focus'
import { pictureSettings } from './settings/picture'
import { movieSettings } from './settings/movie'
import { cameraSettings } from './settings/camera'

const all = [...exposureSettings, ...focusSettings, ...pictureSettings, ...movieSettings, ...cameraSettings]
const groups = [
  'exposure',
  'focus',
  'colour',
  'image',
  'drive',
  'shutter',
  'stabiliser',
  'movie',
  'audio',
  'assist',
  'display',
  'files',
  'cards',
  'power',
  'network',
  'controls',
]

describe('the common vocabulary', () => {
  it('has at least 220 settings and 110 functions, none twice', () => {
    expect(commonSettings.size).toBeGreaterThanOrEqual(220)
    expect(commonSettings.size).toBe(all.length)
    expect(commonFunctions.size).toBeGreaterThanOrEqual(110)
    expect(commonFunctions.size).toBe(functionTable.length)
  })

  it('has a setting or a function for every term', () => {
    expect([...settingTerms.keys()].filter((id) => !commonSettings.has(id))).toEqual([])
    expect([...functionTerms.keys()].filter((id) => !commonFunctions.has(id))).toEqual([])
  })

  it('covers every group', () => {
    const covered = new Set(all.map((one) => one.group))
    expect(groups.filter((group) => !covered.has(group))).toEqual([])
  })

  it('explains every entry in a plain sentence, with a term, a known unit and a known manner', () => {
    for (const one of all) {
      expect(one.plain, one.id).toMatch(/^[A-Z0-9].*\.$/)
      expect(one.term.length, one.id).toBeGreaterThan(1)
      expect(units, one.id).toContain(one.unit)
    }
    for (const one of functionTable) {
      expect(one.plain, one.id).toMatch(/^[A-Z].*\.$/)
      expect(functionManners, one.id).toContain(one.manner)
    }
  })

  it('gives no two settings the same term', () => {
    const terms = all.map((one) => one.term)
    expect(terms.filter((term, i) => terms.indexOf(term) !== i)).toEqual([])
  })

  it('has functions change, and hang on, settings that exist', () => {
    const unknown = functionTable.flatMap((one) =>
      [...one.changes, ...one.dependsOn]
        .filter((id) => !commonSettings.has(id))
        .map((id) => `${one.id}: ${id}`),
    )
    expect(unknown).toEqual([])
  })

  it('has every turn and toggle name what it turns or toggles, or a parameter', () => {
    const idle = functionTable.filter(
      (one) =>
        ['turn', 'held-and-turn'].includes(one.manner) && one.changes.length + one.parameters.length === 0,
    )
    expect(idle).toEqual([])
  })

  it('is written out whole in docs', () => {
    const text = readFileSync('docs/vocabulary.md', 'utf8')
    const missing = [...commonSettings.keys(), ...commonFunctions.keys()].filter(
      (id) => !text.includes(`| \`${id}\` `),
    )
    expect(missing).toEqual([])
  })

  it('knows the meaning of every setting and function of the shipped model', () => {
    expect(heron.settings.every((one) => one.means === null || commonSettings.has(one.means))).toBe(true)
    expect(heron.functions.every((one) => one.means === null || commonFunctions.has(one.means))).toBe(true)
  })
})

describe('a vocabulary table', () => {
  it('refuses a line with a cell too few, naming it', () => {
    expect(() => linesOf('a | b', 3)).toThrow('this line has 2 cells, not 3: a | b')
  })

  it('refuses a touch nobody knows', () => {
    expect(() => settingTable('files.owner | - | smell | Odd.')).toThrow('files.owner touches “smell”')
  })

  it('refuses a setting that has no term', () => {
    expect(() => settingTable('files.odd | - | hand | Odd.')).toThrow('files.odd has no term')
  })
})
