import type { Schema } from 'yup'
import { places } from '../types'
import {
  choose,
  flag,
  list,
  number,
  object,
  oneNumber,
  oneOf,
  optional,
  orNull,
  published,
  record,
  text,
} from './shapes'
import { domain } from './domains'
import { cards, focus, sensor } from './gear'
import { control, modelFunction } from './hand'
import { firmwareRange, id, idPattern, lineId, pair, settingId, side, value, version, words } from './ids'
import { act, family, grid, menuLine, nameLength, position } from './places'
import { condition, consequence } from './rules'

/** The shape of model and lens files, said once: Yup reads by it, and the published JSON Schemas are made of it. */

const header = (format: string) => ({
  format: oneOf([format]),
  formatVersion: oneNumber([1], 'this file is of a later format version than this Salt Shelf reads (1)'),
  id,
})

const setting = object({
  id: settingId,
  label: words(),
  means: orNull(settingId),
  domain,
  factory: value,
  place: oneOf(places),
  storedBy: orNull(id),
  storedWhen: optional(
    choose('“widened” or a list of values', [
      { when: (input) => typeof input === 'string', shape: oneOf(['widened']) },
      { when: Array.isArray, shape: list(id, { atLeast: 1 }) },
    ]),
  ),
  shared: optional(flag()),
  rising: optional(oneOf(['brighter', 'darker'])),
  ...firmwareRange,
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
  sensor,
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
  widestLong: optional(words()),
  narrowest: optional(words()),
  narrowestLong: optional(words()),
  keys: list(object({ id, name: words() })),
  ring: orNull(object({ readable: flag(), clicks: optional(flag()) })),
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
