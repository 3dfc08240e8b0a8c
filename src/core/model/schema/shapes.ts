import * as yup from 'yup'

/**
 * Small parts from which a file format is put together once, and which then speak for themselves twice: as a Yup
 * schema that reads files, and as JSON Schema that is published. Unknown keys are refused by both.
 */
export interface Shape {
  readonly yup: yup.ISchema<unknown>
  readonly json: JsonSchema
  /** A key with this shape may be left out. */
  readonly optional?: boolean
}

/** A JSON Schema (draft 7), as plain data. */
export type JsonSchema = Readonly<Record<string, unknown>>

/** A text of a length, of a pattern (said in words), or one of a few. */
export function text(
  limits: { longest?: number; empty?: boolean; pattern?: RegExp; expected?: string } = {},
): Shape {
  const { longest = 80, empty = false, pattern, expected = 'another text' } = limits
  const base = yup
    .string()
    .strict()
    .defined()
    .min(empty ? 0 : 1)
    .max(longest)
  return {
    yup: pattern ? base.matches(pattern, { message: should(expected), excludeEmptyString: false }) : base,
    json: {
      type: 'string',
      minLength: empty ? 0 : 1,
      maxLength: longest,
      ...(pattern ? { pattern: pattern.source } : {}),
    },
  }
}

/** One of a few texts. */
export function oneOf(words: readonly string[]): Shape {
  return { yup: yup.string().strict().defined().oneOf(words), json: { enum: [...words] } }
}

/** A number between two, whole if asked. */
export function number(limits: { from?: number; to?: number; above?: number; whole?: boolean } = {}): Shape {
  const { from, to, above, whole = false } = limits
  let schema = yup.number().strict().defined()
  if (from !== undefined) schema = schema.min(from)
  if (to !== undefined) schema = schema.max(to)
  if (above !== undefined) schema = schema.moreThan(above)
  if (whole) schema = schema.integer()
  return {
    yup: schema,
    json: {
      type: whole ? 'integer' : 'number',
      ...(from === undefined ? {} : { minimum: from }),
      ...(to === undefined ? {} : { maximum: to }),
      ...(above === undefined ? {} : { exclusiveMinimum: above }),
    },
  }
}

/** One of a few numbers; anything else is refused with the words given. */
export function oneNumber(wanted: readonly number[], otherwise: string): Shape {
  return { yup: yup.number().strict().defined().oneOf(wanted, otherwise), json: { enum: [...wanted] } }
}

/** True or false. */
export function flag(): Shape {
  return { yup: yup.boolean().strict().defined(), json: { type: 'boolean' } }
}

/** A list of things of one shape. */
export function list(item: Shape, limits: { atLeast?: number; atMost?: number } = {}): Shape {
  const { atLeast = 0, atMost } = limits
  const schema = yup.array(item.yup).strict().defined().min(atLeast)
  return {
    yup: atMost === undefined ? schema : schema.max(atMost),
    json: {
      type: 'array',
      items: item.json,
      minItems: atLeast,
      ...(atMost === undefined ? {} : { maxItems: atMost }),
    },
  }
}

/** An object with these keys and no others. */
export function object(fields: Readonly<Record<string, Shape>>): Shape {
  const entries = Object.entries(fields)
  return {
    yup: yup
      .object(Object.fromEntries(entries.map(([key, shape]) => [key, shape.yup])))
      .strict()
      .required()
      .noUnknown(({ unknown }: { unknown: string }) => `has a key this format does not know: ${unknown}`),
    json: {
      type: 'object',
      properties: Object.fromEntries(entries.map(([key, shape]) => [key, shape.json])),
      required: entries.filter(([, shape]) => shape.optional !== true).map(([key]) => key),
      additionalProperties: false,
    },
  }
}

/** An object with keys of one pattern, and values of one shape. */
export function record(keys: RegExp, expected: string, value: Shape): Shape {
  const schema = yup.lazy((input: unknown) => {
    const given = input !== null && typeof input === 'object' ? Object.keys(input) : []
    const odd = given.find((key) => !keys.test(key))
    if (odd !== undefined) return refusing(`keys that are ${expected}, not “${odd.slice(0, 60)}”`).yup
    return yup
      .object(Object.fromEntries(given.map((key) => [key, value.yup])))
      .strict()
      .required()
  })
  return {
    yup: schema,
    json: { type: 'object', patternProperties: { [keys.source]: value.json }, additionalProperties: false },
  }
}

/** A shape that may be left out. */
export function optional(shape: Shape): Shape {
  const wrapped = yup.lazy((input: unknown) => (input === undefined ? yup.mixed().optional() : shape.yup))
  return { yup: wrapped, json: shape.json, optional: true }
}

/** A shape, or null. */
export function orNull(shape: Shape): Shape {
  return {
    yup: yup.lazy((input: unknown) => (input === null ? yup.mixed().nullable().defined() : shape.yup)),
    json: { anyOf: [{ type: 'null' }, shape.json] },
  }
}

/** One of several shapes: the first whose `when` fits what is there; else refused, saying what was expected. */
export function choose(
  expected: string,
  ways: readonly { readonly when: (input: unknown) => boolean; readonly shape: Shape }[],
): Shape {
  return {
    yup: yup.lazy((input: unknown) => (ways.find((way) => way.when(input))?.shape ?? refusing(expected)).yup),
    json: { anyOf: ways.map((way) => way.shape.json) },
  }
}

/** A shape that can contain itself, published under a name. */
export function named(name: string, make: (self: Shape) => Shape): Shape {
  const self: Shape = {
    yup: yup.lazy(() => made.yup as yup.Schema),
    json: { $ref: `#/definitions/${name}` },
  }
  const made = make(self)
  definitions.set(name, made.json)
  return self
}

/** The published JSON Schema of a shape, with every named part. */
export function published(shape: Shape, title: string): JsonSchema {
  return {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title,
    ...shape.json,
    definitions: Object.fromEntries(definitions),
  }
}

/** True for an object that has the key. */
export function has(key: string): (input: unknown) => boolean {
  return (input) => input !== null && typeof input === 'object' && Object.hasOwn(input, key)
}

/** True for an object whose `kind` (or another key) is one of these. */
export function says(key: string, ...values: string[]): (input: unknown) => boolean {
  return (input) => has(key)(input) && values.includes((input as Record<string, string>)[key] ?? '')
}

const definitions = new Map<string, JsonSchema>()

function refusing(expected: string): Shape {
  return {
    yup: yup
      .mixed()
      .strict()
      .test('shape', should(expected), () => false),
    json: { not: {} },
  }
}

function should(expected: string): string {
  return `should be ${expected}`
}
