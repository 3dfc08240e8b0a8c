import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { commonFunctions, commonSettings } from './catalogue'

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
