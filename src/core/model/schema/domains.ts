import { ladders } from '../../vocabulary/ladders'
import { choose, list, number, object, oneOf, optional, says, text } from './shapes'
import { firmwareRange, id, kind, words } from './ids'

/** The values a setting can take. */

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
      also: optional(list(choice, { atLeast: 1 })),
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
export const cells = number({ from: 1, to: 200, whole: true })
export const domain = choose(
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
