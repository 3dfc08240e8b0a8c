import { readFileSync } from 'node:fs'
import { Ajv, type ValidateFunction } from 'ajv'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lenses, models } from '@tests/fixtures/models'
import { bodyModelSchema, lensModelSchema, publishedSchemas } from './schema'

const compiled = (schema: object) => new Ajv({ strict: false }).compile(schema)
const bodyFits = compiled(publishedSchemas['body-model.schema.json'])
const lensFits = compiled(publishedSchemas['lens-model.schema.json'])

const reads = (schema: typeof bodyModelSchema, value: unknown) => {
  try {
    schema.validateSync(value, { strict: true })
    return true
  } catch {
    return false
  }
}

type Path = readonly (string | number)[]

/** Every place of a document, down to its leaves. */
function placesIn(value: unknown, path: Path = []): Path[] {
  if (value === null || typeof value !== 'object') return [path]
  const entries: [string | number, unknown][] = Array.isArray(value)
    ? value.map((item, i) => [i, item])
    : Object.entries(value)
  return [path, ...entries.flatMap(([key, item]) => placesIn(item, [...path, key]))]
}

/** The document with something else at a place; `gone` takes it out. */
function changedAt(document: unknown, path: Path, to: unknown): unknown {
  const copy = structuredClone(document) as Record<string | number, unknown>
  const last = path.at(-1)
  if (last === undefined) return to
  let here = copy
  for (const key of path.slice(0, -1)) here = here[key] as Record<string | number, unknown>
  if (to !== gone) here[last] = to
  else if (Array.isArray(here)) here.splice(Number(last), 1)
  else delete here[last]
  return copy
}

const gone = Symbol('gone')
const odd = fc.constantFrom<unknown>(
  ...[gone, null, true, 7, -1, 0.5, '', 'moon', 'Ä', 'a.b', 'stills', [], ['x'], {}, { kind: 'toggle' }],
)

describe('the published JSON Schemas', () => {
  it.each(Object.keys(publishedSchemas))('%s is the one made of what reads the files', (name) => {
    const file: unknown = JSON.parse(readFileSync(`docs/formats/${name}`, 'utf8'))
    expect(file).toEqual(JSON.parse(JSON.stringify(publishedSchemas[name as keyof typeof publishedSchemas])))
  })

  it('take every shipped model and lens', () => {
    for (const model of models) expect(bodyFits(model), JSON.stringify(bodyFits.errors?.[0])).toBe(true)
    for (const lens of lenses) expect(lensFits(lens), JSON.stringify(lensFits.errors?.[0])).toBe(true)
  })

  const agrees = (
    fits: ValidateFunction,
    schema: typeof bodyModelSchema,
    document: unknown,
    runs: number,
  ) => {
    const places = placesIn(document)
    fc.assert(
      fc.property(fc.constantFrom(...places), odd, (path, to) => {
        const changed = changedAt(document, path, to)
        expect(fits(changed), `${path.join('.')} = ${String(to)}`).toBe(reads(schema, changed))
      }),
      { numRuns: runs },
    )
  }

  it('answer as the parser does, whatever is changed in a model', () => {
    for (const model of models) agrees(bodyFits, bodyModelSchema, model, 25)
  })

  it('answer as the parser does, whatever is changed in a lens', () => {
    for (const lens of lenses) agrees(lensFits, lensModelSchema, lens, 60)
  })
})
