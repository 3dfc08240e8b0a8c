import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { numberOfFigure } from '../banks/figure-numbers'
import { numberForm } from '../numbers/table'
import { disputes } from '../vocabulary/schools'
import { commonSettings } from '../vocabulary/catalogue'
import { checks } from './checks'

const lines = readFileSync('docs/checks.md', 'utf8').split('\n')
const cells = (line: string | undefined) => (line ?? '').split('|').map((cell) => cell.trim())
const lineOf = (first: string) => lines.find((line) => cells(line)[1] === first)

it('a check, and a figure beside a bank, lead to figures that there are', () => {
  const named = [...checks.flatMap(({ number }) => number ?? []), ...Object.values(numberOfFigure)]
  expect(named.filter((id) => numberForm(id) === undefined)).toEqual([])
  expect(named.length).toBeGreaterThan(12)
})

describe('docs/checks.md', () => {
  it('has a line for every check, with its severity and needs as they are in the table', () => {
    for (const check of checks) {
      const [, , title, severity, , , needs] = cells(lineOf(`\`${check.id}\``))
      expect([title, severity, needs]).toEqual([check.title, check.severity, check.needs.join(', ')])
    }
  })

  it('answers every need by checks or says where else', () => {
    for (let n = 1; n <= 50; n++) {
      const [, , words, by, elsewhere] = cells(lineOf(`J${n}`))
      expect(words, `J${n}`).toBeTruthy()
      expect(`${by ?? ''}${elsewhere ?? ''}`, `J${n}`).not.toBe('')
      const named = checks.filter((check) => check.needs.includes(`J${n}`)).map((check) => `\`${check.id}\``)
      expect(by).toBe(named.join(', '))
    }
  })

  it('names only checks that are there for what works only if', () => {
    const from = lines.findIndex((line) => line.startsWith('## What works only if'))
    const to = lines.findIndex((line) => line.startsWith('## Schools'))
    const told = lines.slice(from, to).filter((line) => line.startsWith('| ') && !line.includes('---'))
    expect(told.length).toBeGreaterThan(20)
    const ids = checks.map((check) => check.id)
    for (const line of told.slice(1)) {
      const [first = ''] = (cells(line)[2] ?? '').split(/[,;] /)
      const word = /^[a-z]+(-[a-z]+)+$/.test(first) || first === 'hazard'
      if (word) expect(ids).toContain(first)
    }
  })
})

describe('schools', () => {
  it('give every question at least two sides with a reason each, and name settings that exist', () => {
    for (const dispute of disputes) {
      expect(dispute.schools.length, dispute.id).toBeGreaterThanOrEqual(2)
      expect(dispute.question.endsWith('?')).toBe(true)
      for (const school of dispute.schools) expect(school.reason.length).toBeGreaterThan(10)
      for (const setting of dispute.settings) expect(commonSettings.has(setting), setting).toBe(true)
    }
    const ids = disputes.map((dispute) => dispute.id)
    expect(new Set(ids).size).toBe(ids.length)
  })
})
