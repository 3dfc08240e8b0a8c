import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { models } from '@tests/fixtures/models'
import { commonFunctions, commonSettings } from './catalogue'
import { matchLabel } from './match/match'

const lines = readFileSync('tests/fixtures/other-wordings.txt', 'utf8')
  .trim()
  .split('\n')
  .map((line) => line.split(' | '))

describe('what cameras call things otherwise', () => {
  it('is 150 lines, each about something of the vocabulary, twenty about nothing of it', () => {
    expect(lines).toHaveLength(150)
    expect(lines.filter(([, kind]) => kind === '-')).toHaveLength(20)
    expect(new Set(lines.map(([text]) => text?.toLowerCase())).size).toBe(lines.length)
    for (const [text, kind, ids = ''] of lines) {
      const known = kind === 'setting' ? commonSettings : kind === 'function' ? commonFunctions : null
      for (const id of ids.split(' ').filter((one) => one !== '-'))
        expect([text, known?.has(id)]).toEqual([text, true])
    }
  })

  it('is not the standard term itself', () => {
    const terms = new Set(
      [...commonSettings.values(), ...commonFunctions.values()].map(({ term }) => term.toLowerCase()),
    )
    expect(lines.filter(([text = '']) => terms.has(text.toLowerCase())).map(([text]) => text)).toEqual([])
  })
})

describe('matching a label by its words', () => {
  const counterparts = lines.filter(([, kind]) => kind !== '-')
  const matched = counterparts.map(([text = '', kind, ids = '']) => {
    const found = matchLabel(text)
    const at = found.kind === kind ? found.matches.findIndex(({ id }) => ids.split(' ').includes(id)) : -1
    return { text, at }
  })

  it('names what other cameras call otherwise: nine of ten first, and 97 of a hundred among three', () => {
    const share = (within: number) =>
      matched.filter(({ at }) => at >= 0 && at < within).length / counterparts.length
    expect(share(1)).toBeGreaterThanOrEqual(0.9)
    expect(share(3)).toBeGreaterThanOrEqual(0.97)
  })

  it('leaves nine of ten without counterpart unmatched', () => {
    const none = lines.filter(([, kind]) => kind === '-')
    const unmatched = none.filter(([text = '']) => matchLabel(text).kind === null)
    expect(unmatched.length / none.length).toBeGreaterThanOrEqual(0.9)
  })

  it('names 95 of a hundred labels of every shipped model first', () => {
    for (const { name, settings, functions } of models) {
      const labels = [
        ...settings.map(({ label, means }) => ['setting', label, means] as const),
        ...functions.map(({ name: label, means }) => ['function', label, means] as const),
      ].filter(([, , means]) => means !== null)
      const right = labels.filter(([kind, label, means]) => {
        const found = matchLabel(label)
        return found.kind === kind && found.matches[0]?.id === means
      })
      expect(right.length / labels.length, name).toBeGreaterThanOrEqual(0.95)
    }
  })

  it('knows every term and every wording of its own as what it is, surely', () => {
    for (const { id, term } of commonSettings.values())
      expect([term, matchLabel(term).matches.some((one) => one.id === id && one.sure > 0.9)]).toEqual([
        term,
        true,
      ])
  })

  it.each([
    ['Exp. comp.', 'setting', 'exposure.compensation'],
    ['4-12 Zebra level (%)', 'setting', 'assist.zebraLevel'],
    ['Toggle zebra stripes', 'function', 'assist.toggleZebra'],
    ['Next AF field', 'function', 'focus.nextArea'],
    ['WB lock while held', 'function', 'colour.lockBalance'],
    ['Shutter speed dial', 'function', 'exposure.turnShutter'],
    ['Shuter speed', 'setting', 'exposure.shutter'],
    ['Movie: resolution', 'setting', 'movie.size'],
  ])('reads “%s” as the %s %s', (text, kind, id) => {
    const found = matchLabel(text)
    expect([found.text, found.kind, found.matches[0]?.id]).toEqual([text, kind, id])
  })

  it('gives sureness between 0 and 1, falling, and nothing where nothing fits', () => {
    for (const [text = ''] of lines) {
      const { kind, matches } = matchLabel(text)
      expect(matches.length === 0).toBe(kind === null)
      for (const [i, { sure }] of matches.entries()) {
        expect(sure).toBeGreaterThan(0)
        expect(sure).toBeLessThanOrEqual(matches[i - 1]?.sure ?? 1)
      }
    }
    expect(matchLabel('')).toEqual({ text: '', kind: null, matches: [] })
    expect(matchLabel('…!')).toEqual({ text: '…!', kind: null, matches: [] })
  })
})
