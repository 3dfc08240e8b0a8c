import * as yup from 'yup'
import { ladders, type LadderName } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { factPattern } from '../rules/facts'
import { indicators } from '../rules/rule'

/** Yup schemas of the model and lens files. Unknown keys are refused; paths in errors name the place. */

const id = () =>
  yup
    .string()
    .strict()
    .required()
    .matches(/^[a-z][a-z0-9-]*$/, shape('lower-case words joined by -'))
const settingId = () =>
  yup
    .string()
    .strict()
    .required()
    .matches(/^[a-z][A-Za-z0-9]*(\.[a-z][A-Za-z0-9]*)+$/, shape('a dotted id like focus.mode'))
const words = (longest = 80) => yup.string().strict().required().min(1).max(longest)
const unit = () => yup.number().strict().required().min(0).max(1)
const side = () => yup.string().strict().required().oneOf(['stills', 'motion'])
const list = <T extends yup.ISchema<unknown>>(item: T) => yup.array(item).strict().required()
const closed = <S extends yup.ObjectShape>(fields: S) =>
  yup.object(fields).strict().required().noUnknown(unknownKey)

const value = () =>
  yup
    .mixed<Value>((input): input is Value => isValue(input))
    .strict()
    .required()
    .typeError(shape('a text, a number, true, false or a list of texts'))

const condition: yup.Lazy<unknown> = yup.lazy((input: unknown) => {
  const keys = input !== null && typeof input === 'object' ? Object.keys(input) : []
  if (keys.includes('all')) return closed({ all: list(condition) })
  if (keys.includes('any')) return closed({ any: list(condition) })
  if (keys.includes('not')) return closed({ not: condition })
  const fact = words().matches(
    factPattern,
    shape('a fact such as side, run, bank/<family> or setting/<id>; docs/models.md lists them'),
  )
  if (keys.includes('is')) return closed({ fact, is: value() })
  if (keys.includes('in')) return closed({ fact, in: list(value()) })
  if (keys.includes('above')) return closed({ fact, above: value() })
  if (keys.includes('below')) return closed({ fact, below: value() })
  return refusing('a condition: all, any, not, or a fact with is, in, above or below')
})

const consequence = yup.lazy((input: unknown) => {
  const record = (input ?? {}) as Record<string, unknown>
  const kind = (...kinds: string[]) => yup.string().strict().required().oneOf(kinds)
  if ('indicator' in record) {
    const says = yup.string().strict().required().oneOf(['misleads', 'absent'])
    return closed({
      kind: kind('indicator'),
      indicator: yup
        .string()
        .strict()
        .required()
        .oneOf([...indicators]),
      says,
    })
  }
  if ('control' in record) return closed({ kind: kind('unavailable', 'ineffective'), control: id() })
  if ('function' in record) {
    if (record.kind === 'becomes') return closed({ kind: kind('becomes'), function: id(), to: id() })
    if (record.kind === 'freezes')
      return closed({ kind: kind('freezes'), function: id(), settings: list(settingId()).min(1) })
    return closed({ kind: kind('unavailable', 'ineffective', 'hazard'), function: id() })
  }
  if (record.kind === 'forced') return closed({ kind: kind('forced'), setting: settingId(), to: value() })
  if (record.kind === 'becomes') {
    return closed({ kind: kind('becomes'), setting: settingId(), from: list(value()).min(1), to: value() })
  }
  if (record.kind === 'limits') {
    const fallsTo = yup.mixed<Value>((one): one is Value => isValue(one)).strict()
    return closed({ kind: kind('limits'), setting: settingId(), only: list(value()).min(1), fallsTo })
  }
  if (record.kind === 'ineffective') return closed({ kind: kind('ineffective'), setting: settingId() })
  return closed({ kind: kind('unavailable', 'hazard'), setting: settingId(), values: list(value()) })
})

const choice = () => closed({ id: id(), name: words() })

const domain = yup.lazy((input: unknown) => {
  const kind = (input as { kind?: unknown } | null)?.kind
  const named = (name: string) => yup.string().strict().required().oneOf([name])
  if (kind === 'choice') return closed({ kind: named('choice'), values: list(choice()).min(2) })
  if (kind === 'ladder') {
    const names = Object.keys(ladders) as LadderName[]
    return closed({
      kind: named('ladder'),
      ladder: yup.string().required().oneOf(names),
      from: words(),
      to: words(),
    })
  }
  if (kind === 'number') {
    const number = () => yup.number().strict().required()
    return closed({
      kind: named('number'),
      from: number(),
      to: number(),
      step: number().positive(),
      unit: yup.string().strict().defined(),
    })
  }
  if (kind === 'toggle') return closed({ kind: named('toggle') })
  if (kind === 'subset') {
    return closed({
      kind: named('subset'),
      values: list(choice()).min(1).max(32),
      atLeast: yup.number().strict().required().integer().min(0),
    })
  }
  if (kind === 'text') {
    return closed({
      kind: named('text'),
      longest: yup.number().strict().required().integer().min(1).max(200),
      alphabet: words(200),
    })
  }
  return refusing('a domain whose kind is choice, ladder, number, toggle, subset or text')
})

const header = (format: string) => ({
  format: yup.string().strict().required().oneOf([format]),
  formatVersion: yup
    .number()
    .strict()
    .required()
    .oneOf([1], 'this file is of a later format version than this Salt Shelf reads (1)'),
  id: id(),
})

export const bodyModelSchema = closed({
  ...header('salt-shelf/body-model'),
  version: yup.number().strict().required().integer().min(1).max(65535),
  maker: words(),
  name: words(),
  kind: words(),
  firmware: list(closed({ version: words(12), readsFilesFrom: list(words(12)) })).min(1),
  cardFile: closed({ formatNumber: yup.number().strict().required().integer().min(1).max(65535) }),
  lookAlikes: list(closed({ model: id(), tellApart: words(400) })),
  sides: list(side()).min(1).max(2),
  faces: list(
    closed({
      id: id(),
      name: words(),
      aspect: yup.number().strict().required().min(0.2).max(5),
      strokes: list(
        closed({
          path: words(2000).matches(/^[MLHVCSQTAZmlhvcsqtaz0-9 ,.-]+$/, shape('SVG path data')),
          weight: yup.string().strict().required().oneOf(['outline', 'detail', 'glass', 'faint']),
        }),
      ),
    }),
  ).min(1),
  controls: list(
    closed({
      id: id(),
      name: words(),
      kind: yup.string().strict().required().oneOf(['key', 'dial', 'wheel', 'stick', 'release']),
      face: id(),
      at: yup.tuple([unit(), unit()]).strict().required(),
      size: yup.tuple([unit(), unit()]).strict().required(),
      shape: yup.string().strict().required().oneOf(['round', 'bar', 'ribbed', 'ring']),
      where: words(200),
      atFinder: yup.boolean().strict().required(),
      bump: yup.string().strict().required().oneOf(['low', 'high']),
      gestures: list(
        closed({
          id: id(),
          name: words(),
          accepts: id(),
          factory: yup
            .object({ stills: id().optional(), motion: id().optional() })
            .strict()
            .required()
            .noUnknown(unknownKey),
        }),
      ).min(1),
    }),
  ).min(1),
  settings: list(
    closed({
      id: settingId(),
      label: words(),
      means: settingId().nullable().defined(),
      domain,
      factory: value(),
      place: yup.string().strict().required().oneOf(['body', 'side', 'local', 'physical']),
      storedBy: id().nullable().defined(),
      shared: yup.boolean().strict().optional(),
    }),
  ).min(1),
  functions: list(
    closed({
      id: id(),
      name: words(),
      means: yup.string().strict().nullable().defined(),
      manner: yup
        .string()
        .strict()
        .required()
        .oneOf(['press', 'hold', 'toggle', 'cycle', 'choose', 'turn', 'move', 'none']),
      sides: list(side()).min(1),
      changes: list(settingId()),
      whileRecording: yup.string().strict().required().oneOf(['yes', 'no', 'unknown']),
      holdSet: id().optional(),
    }),
  ).min(1),
  functionLists: yup.lazy((input: unknown) =>
    yup
      .object(Object.fromEntries(Object.keys(input ?? {}).map((key) => [key, list(id()).min(1)])))
      .strict()
      .required(),
  ),
  families: list(
    closed({
      id: id(),
      name: words(),
      keeping: yup.string().strict().required().oneOf(['snapshot', 'live']),
      nameLength: yup.number().strict().required().integer().min(1).max(40),
      slots: list(choice()).min(1),
    }),
  ),
  holdSets: list(
    closed({
      id: id(),
      name: words(),
      nameLength: yup.number().strict().required().integer().min(1).max(40),
    }),
  ),
  menu: list(closed({ id: id(), name: words(), lines: list(settingId()).min(1) })).min(1),
  rules: list(
    closed({
      id: id(),
      when: condition,
      then: consequence,
      because: words(400),
      over: list(id()),
    }),
  ),
})

export const lensModelSchema = closed({
  ...header('salt-shelf/lens-model'),
  name: words(),
  contacts: yup.boolean().strict().required(),
  focalMm: yup
    .tuple([yup.number().strict().required().min(1), yup.number().strict().required().min(1)])
    .strict()
    .required(),
  widest: words(),
})

function shape(expected: string): string {
  return `should be ${expected}`
}

function unknownKey({ unknown }: { unknown: string }): string {
  return `has a key this format does not know: ${unknown}`
}

function refusing(expected: string) {
  return yup
    .mixed()
    .strict()
    .test('shape', shape(expected), () => false)
}

function isValue(input: unknown): input is Value {
  if (typeof input === 'string' || typeof input === 'boolean') return true
  if (typeof input === 'number') return Number.isFinite(input)
  return Array.isArray(input) && input.every((member) => typeof member === 'string')
}
