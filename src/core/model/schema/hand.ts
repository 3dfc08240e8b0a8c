import { manners, postures, runStates } from '../types'
import { choose, flag, list, number, object, oneOf, optional, orNull, record, text } from './shapes'
import { assignSide, firmwareRange, id, pair, settingId, settingValues, share, value, words } from './ids'

/** Controls and what they can be made to do. */

const reach = object({
  digit: oneOf(['thumb', 'index', 'middle', 'left', 'palm']),
  grade: number({ from: 0, to: 3, whole: true }),
  findable: flag(),
})

const factoryFunction = choose('a function id, or one for each value', [
  { when: (input) => typeof input === 'string', shape: id },
  { when: (input) => typeof input === 'object', shape: record(/^\S{1,40}$/, 'values', id) },
])

export const control = object({
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
  guard: optional(oneOf(['half-press', 'long-press', 'double-tap', 'lock'])),
  guardBy: optional(settingId),
  presence: optional(oneOf(['lens-key', 'lens-ring', 'adapter', 'grip'])),
  awayFromEye: optional(oneOf(['left', 'right', 'up', 'down'])),
  assignedBy: optional(settingId),
  gestures: list(
    object({
      id,
      name: words(),
      with: optional(text({ pattern: /^[a-z][a-z0-9-]*\/[a-z][a-z0-9-]*$/, expected: 'control/gesture' })),
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

export const modelFunction = object({
  id,
  name: words(),
  means: orNull(text({ pattern: /^[a-z][A-Za-z.]*$/, expected: 'an id of the common vocabulary' })),
  manner: oneOf(manners),
  sides: list(assignSide, { atLeast: 1 }),
  changes: list(settingId),
  notWhile: list(oneOf(runStates)),
  parameters: optional(record(/^[a-z][A-Za-z]*$/, 'words', value)),
  overrides: optional(settingValues),
  goesTo: optional(value),
  comesBackTo: optional(value),
  steps: optional(number({ from: -10, to: 10, whole: true })),
  whileHeld: optional(record(/^[a-z][a-z0-9-]*\/[a-z][a-z0-9-]*$/, 'control/gesture', id)),
  holdSet: optional(id),
  ...firmwareRange,
})
