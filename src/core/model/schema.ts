import type { Schema } from 'yup'
import { ladders } from '../vocabulary/ladders'
import { factPattern } from '../rules/facts'
import { indicators } from '../rules/rule'
import { actKinds, manners, places, postures, runStates } from './types'
import { choose, flag, has, list, named, number, object, oneNumber } from './shapes'
import { oneOf, optional, orNull, published, record, says, text, type Shape } from './shapes'

/** The shape of model and lens files, said once: Yup reads by it, and the published JSON Schemas are made of it. */

const idPattern = /^[a-z][a-z0-9-]*$/
const settingPattern = /^[a-z][A-Za-z0-9]*(\.[a-z][A-Za-z0-9]*)+$/
const id = text({ pattern: idPattern, expected: 'lower-case words joined by -' })
const settingId = text({ pattern: settingPattern, expected: 'a dotted id like focus.mode' })
const lineId = text({
  pattern: /^[a-z][A-Za-z0-9]*([.-][A-Za-z0-9]+)*$/,
  expected: 'the id of a setting or an act',
})
const version = text({ longest: 7, pattern: /^\d{1,3}\.\d{1,3}$/, expected: 'a version like 1.2' })
const words = (longest = 80) => text({ longest })
const share = number({ from: 0, to: 1 })
const pair = (item: Shape) => list(item, { atLeast: 2, atMost: 2 })
const zone = list(share, { atLeast: 4, atMost: 4 })
const range = pair(number({ from: 0 }))
const side = oneOf(['stills', 'motion'])
const assignSide = oneOf(['stills', 'motion', 'playback'])
const firmwareRange = { since: optional(version), until: optional(version) }

const plainValue = choose('a text, a number, true or false', [
  { when: (input) => typeof input === 'string', shape: text({ longest: 300, empty: true }) },
  { when: (input) => typeof input === 'number', shape: number() },
  { when: (input) => typeof input === 'boolean', shape: flag() },
])
const value = choose('a text, a number, true, false or a list of texts', [
  { when: Array.isArray, shape: list(text({ longest: 300 })) },
  { when: (input) => !Array.isArray(input), shape: plainValue },
])
const settingValues = record(settingPattern, 'setting ids', value)

const condition = named('condition', (self) => {
  const fact = text({
    pattern: factPattern,
    expected: 'a fact such as side, run, bank/<family> or setting/<id>; docs/models.md lists them',
  })
  return choose('a condition: all, any, not, or a fact with is, in, above or below', [
    { when: has('all'), shape: object({ all: list(self) }) },
    { when: has('any'), shape: object({ any: list(self) }) },
    { when: has('not'), shape: object({ not: self }) },
    { when: has('is'), shape: object({ fact, is: value }) },
    { when: has('in'), shape: object({ fact, in: list(value) }) },
    { when: has('above'), shape: object({ fact, above: value }) },
    { when: has('below'), shape: object({ fact, below: value }) },
  ])
})

const kind = (...kinds: string[]) => oneOf(kinds)
const consequence = choose('a consequence; docs/models.md lists them', [
  {
    when: has('indicator'),
    shape: object({
      kind: kind('indicator'),
      indicator: oneOf(indicators),
      says: oneOf(['misleads', 'absent']),
    }),
  },
  { when: has('control'), shape: object({ kind: kind('unavailable', 'ineffective'), control: id }) },
  { when: has('act'), shape: object({ kind: kind('unavailable', 'hazard'), act: id }) },
  {
    when: (input) => has('function')(input) && says('kind', 'becomes')(input),
    shape: object({ kind: kind('becomes'), function: id, to: id }),
  },
  {
    when: (input) => has('function')(input) && says('kind', 'freezes')(input),
    shape: object({ kind: kind('freezes'), function: id, settings: list(settingId, { atLeast: 1 }) }),
  },
  {
    when: has('function'),
    shape: object({ kind: kind('unavailable', 'ineffective', 'hazard'), function: id }),
  },
  {
    when: says('kind', 'forced'),
    shape: object({ kind: kind('forced'), setting: settingId, to: value }),
  },
  {
    when: says('kind', 'becomes'),
    shape: object({
      kind: kind('becomes'),
      setting: settingId,
      from: list(value, { atLeast: 1 }),
      to: value,
    }),
  },
  {
    when: says('kind', 'limits'),
    shape: object({
      kind: kind('limits'),
      setting: settingId,
      only: list(value, { atLeast: 1 }),
      fallsTo: optional(value),
    }),
  },
  { when: says('kind', 'ineffective'), shape: object({ kind: kind('ineffective'), setting: settingId }) },
  {
    when: says('kind', 'unavailable', 'hazard'),
    shape: object({ kind: kind('unavailable', 'hazard'), setting: settingId, values: list(value) }),
  },
])

const choice = object({ id, name: words(), ...firmwareRange })
const choices = list(choice, { atLeast: 2 })
const simpleDomains = [
  { when: says('kind', 'choice'), shape: object({ kind: kind('choice'), values: choices }) },
  {
    when: says('kind', 'ladder'),
    shape: object({
      kind: kind('ladder'),
      ladder: oneOf(Object.keys(ladders)),
      from: words(),
      to: words(),
    }),
  },
  {
    when: says('kind', 'number'),
    shape: object({
      kind: kind('number'),
      from: number(),
      to: number(),
      step: number({ above: 0 }),
      unit: text({ longest: 12, empty: true }),
    }),
  },
  { when: says('kind', 'toggle'), shape: object({ kind: kind('toggle') }) },
]
const simpleDomain = choose('a domain whose kind is choice, ladder, number or toggle', simpleDomains)
const cells = number({ from: 1, to: 200, whole: true })
const domain = choose(
  'a domain whose kind is choice, ladder, number, toggle, subset, text, region, point or record',
  [
    ...simpleDomains,
    {
      when: says('kind', 'subset'),
      shape: object({
        kind: kind('subset'),
        values: list(choice, { atLeast: 1, atMost: 32 }),
        atLeast: number({ from: 0, whole: true }),
      }),
    },
    {
      when: says('kind', 'text'),
      shape: object({
        kind: kind('text'),
        longest: number({ from: 1, to: 200, whole: true }),
        alphabet: words(200),
      }),
    },
    {
      when: says('kind', 'region', 'point'),
      shape: object({ kind: kind('region', 'point'), columns: cells, rows: cells }),
    },
    {
      when: says('kind', 'record'),
      shape: object({
        kind: kind('record'),
        fields: list(object({ id, name: words(), domain: simpleDomain }), { atLeast: 1, atMost: 20 }),
      }),
    },
  ],
)

const header = (format: string) => ({
  format: oneOf([format]),
  formatVersion: oneNumber([1], 'this file is of a later format version than this Salt Shelf reads (1)'),
  id,
})

const need = object({ when: condition, because: words(400) })

const reach = object({
  digit: oneOf(['thumb', 'index', 'middle', 'left', 'palm']),
  grade: number({ from: 0, to: 3, whole: true }),
  findable: flag(),
})

const factoryFunction = choose('a function id, or one for each value', [
  { when: (input) => typeof input === 'string', shape: id },
  { when: (input) => typeof input === 'object', shape: record(/^\S{1,40}$/, 'values', id) },
])

const control = object({
  id,
  name: words(),
  legend: optional(words(20)),
  listNumber: optional(number({ from: 1, to: 99, whole: true })),
  kind: oneOf(['key', 'dial', 'wheel', 'ring', 'lever', 'stick', 'strip', 'touch', 'release']),
  face: id,
  at: pair(share),
  size: pair(share),
  shape: oneOf(['round', 'bar', 'ribbed', 'ring']),
  where: words(200),
  reach: object(Object.fromEntries(postures.map((posture) => [posture, optional(reach)]))),
  bump: oneOf(['low', 'high']),
  guard: optional(oneOf(['half-press', 'long-press', 'lock'])),
  presence: optional(oneOf(['lens-key', 'lens-ring', 'adapter', 'grip'])),
  awayFromEye: optional(oneOf(['left', 'right', 'up', 'down'])),
  assignedBy: optional(settingId),
  gestures: list(
    object({
      id,
      name: words(),
      accepts: id,
      factory: object({
        stills: optional(factoryFunction),
        motion: optional(factoryFunction),
        playback: optional(factoryFunction),
      }),
      ...firmwareRange,
    }),
    { atLeast: 1 },
  ),
})

const setting = object({
  id: settingId,
  label: words(),
  means: orNull(settingId),
  domain,
  factory: value,
  place: oneOf(places),
  storedBy: orNull(id),
  storedWhen: optional(oneOf(['widened'])),
  shared: optional(flag()),
  rising: optional(oneOf(['brighter', 'darker'])),
  ...firmwareRange,
})

const modelFunction = object({
  id,
  name: words(),
  means: orNull(text({ pattern: /^[a-z][A-Za-z.]*$/, expected: 'an id of the common vocabulary' })),
  manner: oneOf(manners),
  sides: list(assignSide, { atLeast: 1 }),
  changes: list(settingId),
  notWhile: list(oneOf(runStates)),
  parameters: optional(record(/^[a-z][A-Za-z]*$/, 'words', value)),
  overrides: optional(settingValues),
  whileHeld: optional(record(/^[a-z][a-z0-9-]*\/[a-z][a-z0-9-]*$/, 'control/gesture', id)),
  holdSet: optional(id),
  ...firmwareRange,
})

const nameLength = number({ from: 1, to: 40, whole: true })

const family = object({
  id,
  name: words(),
  selectedBy: oneOf(['dial', 'menu', 'key']),
  keeping: oneOf(['snapshot', 'live']),
  keepingBy: optional(settingId),
  widenedBy: optional(settingId),
  storesKeys: flag(),
  storesGrids: flag(),
  nameLength,
  slots: list(object({ id, name: words(), side: optional(side), ...firmwareRange }), { atLeast: 1 }),
})

const position = object({
  id,
  name: words(),
  side: orNull(side),
  kind: oneOf(['plain', 'slot', 'remembered', 'special']),
  family: optional(id),
  slot: optional(id),
  sets: settingValues,
  keeps: list(settingId),
})

const act = object({
  id,
  name: words(),
  does: oneOf(actKinds),
  by: optional(words(120)),
  needs: list(need),
  sets: settingValues,
  leadsTo: optional(oneOf(runStates)),
  warning: optional(words(300)),
})

const menuLine = choose('a setting id, an act id, or a line with a name and what is behind it', [
  { when: (input) => typeof input === 'string', shape: lineId },
  {
    when: (input) => typeof input === 'object',
    shape: object({ name: words(), behind: list(lineId, { atLeast: 1 }) }),
  },
])

const grid = object({
  id,
  name: words(),
  side,
  rows: number({ from: 1, to: 12, whole: true }),
  columns: number({ from: 1, to: 12, whole: true }),
  openedBy: id,
  inFinder: flag(),
  permitted: list(settingId, { atLeast: 1 }),
  factory: list(settingId),
})

const focus = object({
  columns: cells,
  rows: cells,
  areas: list(
    object({
      value: id,
      size: pair(share),
      columns: cells,
      rows: cells,
      skip: number({ from: 1, to: 20, whole: true }),
    }),
  ),
  wrapBy: optional(settingId),
  detectionZone: zone,
  trackingZone: zone,
  confirms: record(idPattern, 'values of the focus mode', oneOf(['once-found', 'all-the-time', 'never'])),
  heldWins: oneOf(['first', 'last', 'listed']),
  strongest: optional(list(id, { atLeast: 1 })),
})

const cards = object({
  slots: list(object({ id, name: words(), kind: words(), ceilingMBps: number({ above: 0 }) }), {
    atLeast: 1,
  }),
  bufferFrames: object({ raw: range, processed: range }),
  rawMegabytes: record(idPattern, 'values of the raw compression', range),
  movieFormats: list(
    object({
      size: id,
      rates: list(words(8), { atLeast: 1 }),
      codec: words(),
      rateMbps: number({ above: 0 }),
      regionHz: optional(oneNumber([50, 60], 'should be 50 or 60')),
    }),
  ),
  bursts: list(
    object({ shutter: id, files: oneOf(['raw', 'processed']), framesPerSecond: number({ above: 0 }) }),
  ),
  files: object({
    perFolder: number({ from: 1, whole: true }),
    folder: words(120),
    nameRule: words(120),
  }),
})

const bodyModel = object({
  ...header('salt-shelf/body-model'),
  version: number({ from: 1, to: 65535, whole: true }),
  maker: words(),
  name: words(),
  kind: words(),
  firmware: list(object({ version, readsFilesFrom: list(version), brings: words(400) }), { atLeast: 1 }),
  cardFile: object({
    formatNumber: number({ from: 1, to: 65535, whole: true }),
    folder: words(),
    leavesBehind: list(settingId),
  }),
  lookAlikes: list(object({ model: id, tellApart: words(400) })),
  sides: list(side, { atLeast: 1, atMost: 2 }),
  faces: list(
    object({
      id,
      name: words(),
      aspect: number({ from: 0.2, to: 5 }),
      strokes: list(
        object({
          path: text({
            longest: 2000,
            pattern: /^[MLHVCSQTAZmlhvcsqtaz0-9 ,.-]+$/,
            expected: 'SVG path data',
          }),
          weight: oneOf(['outline', 'detail', 'glass', 'faint']),
        }),
      ),
    }),
    { atLeast: 1 },
  ),
  controls: list(control, { atLeast: 1 }),
  settings: list(setting, { atLeast: 1 }),
  functions: list(modelFunction, { atLeast: 1 }),
  functionLists: record(idPattern, 'list names', list(id, { atLeast: 1 })),
  functionListLines: optional(number({ from: 1, to: 40, whole: true })),
  families: list(family),
  holdSets: list(object({ id, name: words(), nameLength, allows: optional(list(settingId)) })),
  positions: list(position, { atLeast: 1 }),
  filming: orNull(
    object({
      fromStills: oneOf(['refused', 'plain', 'named']),
      namedBy: optional(settingId),
      family: optional(id),
      swapTo: oneOf(['plain', 'last-used']),
    }),
  ),
  menu: list(object({ id, name: words(), lines: list(menuLine, { atLeast: 1 }) }), { atLeast: 1 }),
  acts: list(act),
  grids: list(grid),
  ownMenu: orNull(
    object({
      pages: number({ from: 1, to: 12, whole: true }),
      lines: number({ from: 1, to: 20, whole: true }),
      nameLength,
      opensFirst: optional(settingId),
      permitted: list(lineId, { atLeast: 1 }),
    }),
  ),
  focus,
  cards,
  rules: list(object({ id, when: condition, then: consequence, because: words(400), over: list(id) })),
  doubts: list(
    object({
      about: words(120),
      status: oneOf(['claimed', 'unknown', 'contradictory']),
      by: optional(words(120)),
      candidates: list(value),
      test: words(400),
    }),
  ),
})

const lensModel = object({
  ...header('salt-shelf/lens-model'),
  name: words(),
  fits: words(),
  contacts: flag(),
  focalMm: pair(number({ from: 1 })),
  widest: words(),
  keys: list(object({ id, name: words() })),
  ring: orNull(object({ readable: flag() })),
  focusSwitch: flag(),
  stabiliser: flag(),
  adapter: optional(words()),
})

export const bodyModelSchema = bodyModel.yup as Schema
export const lensModelSchema = lensModel.yup as Schema

/** The published JSON Schemas, by file name in docs/formats. */
export const publishedSchemas = {
  'body-model.schema.json': published(bodyModel, 'Salt Shelf body model, format 1'),
  'lens-model.schema.json': published(lensModel, 'Salt Shelf lens model, format 1'),
} as const
