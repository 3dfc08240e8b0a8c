import { choose, flag, list, number, oneOf, optional, record, text, type Shape } from './shapes'

/** Ids, words, values: what every part of a definition is made of. */

export const idPattern = /^[a-z][a-z0-9-]*$/
export const settingPattern = /^[a-z][A-Za-z0-9]*(\.[a-z][A-Za-z0-9]*)+$/
export const id = text({ pattern: idPattern, expected: 'lower-case words joined by -' })
export const settingId = text({ pattern: settingPattern, expected: 'a dotted id like focus.mode' })
export const lineId = text({
  pattern: /^[a-z][A-Za-z0-9]*([.-][A-Za-z0-9]+)*$/,
  expected: 'the id of a setting or an act',
})
export const version = text({ longest: 7, pattern: /^\d{1,3}\.\d{1,3}$/, expected: 'a version like 1.2' })
export const words = (longest = 80) => text({ longest })
export const share = number({ from: 0, to: 1 })
export const pair = (item: Shape) => list(item, { atLeast: 2, atMost: 2 })
export const zone = list(share, { atLeast: 4, atMost: 4 })
export const range = pair(number({ from: 0 }))
export const side = oneOf(['stills', 'motion'])
export const assignSide = oneOf(['stills', 'motion', 'playback'])
export const firmwareRange = { since: optional(version), until: optional(version) }

const plainValue = choose('a text, a number, true or false', [
  { when: (input) => typeof input === 'string', shape: text({ longest: 300, empty: true }) },
  { when: (input) => typeof input === 'number', shape: number() },
  { when: (input) => typeof input === 'boolean', shape: flag() },
])
export const value = choose('a text, a number, true, false or a list of texts', [
  { when: Array.isArray, shape: list(text({ longest: 300 })) },
  { when: (input) => !Array.isArray(input), shape: plainValue },
])
export const settingValues = record(settingPattern, 'setting ids', value)

/** The `kind` that tells alternatives apart. */
export const kind = (...kinds: string[]) => oneOf(kinds)
