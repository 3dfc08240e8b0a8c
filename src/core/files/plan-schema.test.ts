import { readFileSync } from 'node:fs'
import { Ajv } from 'ajv'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { emptyPlan } from '../plan/plan'
import { writePlanFile } from './plan-file'

const schema = JSON.parse(readFileSync('docs/formats/plan-file.schema.json', 'utf8')) as object
const fits = new Ajv({ allErrors: true, allowUnionTypes: true }).compile(schema)

it('every plan file fits the published JSON Schema', () => {
  fc.assert(
    fc.property(planOf(heron), (plan) => {
      const file: unknown = JSON.parse(writePlanFile({ plan, revision: null }))
      expect(fits(file), JSON.stringify(fits.errors)).toBe(true)
    }),
  )
})

it.each([
  ['without a digest', { digest: undefined }],
  ['with an unknown key', { colour: 'red' }],
  ['of a later format', { formatVersion: 2 }],
  ['with a row no plan has', { rows: { 'wish/much': true } }],
  ['with an object for a value', { rows: { title: {} } }],
  ['with a revision without a time', { revision: { number: 1, note: '' } }],
])('a file %s does not fit it', (_name, change) => {
  const file = JSON.parse(writePlanFile({ plan: emptyPlan(heron), revision: null })) as object
  expect(fits(JSON.parse(JSON.stringify({ ...file, ...change })))).toBe(false)
})
