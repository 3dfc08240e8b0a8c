import { factPattern } from '../../rules/facts'
import { indicators } from '../../rules/rule'
import { choose, has, list, named, number, object, oneOf, optional, says, text } from './shapes'
import { id, kind, settingId, value, words } from './ids'

/** Conditions, consequences, and what has to hold before an act. */

const fact = text({
  pattern: factPattern,
  expected: 'a fact such as side, run, bank/<family> or setting/<id>; docs/models.md lists them',
})

const formula = named('formula', (self) =>
  choose('a formula: a fact, amount, times, plus or over', [
    { when: has('fact'), shape: object({ fact, field: optional(id) }) },
    { when: has('amount'), shape: object({ amount: number() }) },
    { when: has('times'), shape: object({ times: list(self, { atLeast: 1 }) }) },
    { when: has('plus'), shape: object({ plus: list(self, { atLeast: 1 }) }) },
    { when: has('over'), shape: object({ over: list(self, { atLeast: 2, atMost: 2 }) }) },
  ]),
)

export const condition = named('condition', (self) => {
  const field = optional(id)
  const bound = choose('a value, or a formula of facts', [
    { when: (input) => input === null || typeof input !== 'object' || Array.isArray(input), shape: value },
    { when: () => true, shape: formula },
  ])
  return choose('a condition: all, any, not, or a fact with is, in, has, above or below', [
    { when: has('all'), shape: object({ all: list(self) }) },
    { when: has('any'), shape: object({ any: list(self) }) },
    { when: has('not'), shape: object({ not: self }) },
    { when: has('is'), shape: object({ fact, field, is: value }) },
    { when: has('in'), shape: object({ fact, field, in: list(value) }) },
    { when: has('has'), shape: object({ fact, field, has: value }) },
    { when: has('above'), shape: object({ fact, field, above: bound }) },
    { when: has('below'), shape: object({ fact, field, below: bound }) },
  ])
})

export const consequence = choose('a consequence; docs/models.md lists them', [
  {
    when: has('indicator'),
    shape: object({
      kind: kind('indicator'),
      indicator: oneOf(indicators),
      says: oneOf(['misleads', 'absent']),
    }),
  },
  // As written before a rule could name several controls.
  { when: has('control'), shape: object({ kind: kind('unavailable', 'ineffective'), control: id }) },
  {
    when: (input) => has('controls')(input) && says('kind', 'swapped')(input),
    shape: object({ kind: kind('swapped'), controls: list(id, { atLeast: 2, atMost: 2 }) }),
  },
  {
    when: (input) => has('controls')(input) && !has('function')(input),
    shape: object({
      kind: kind('unavailable', 'ineffective'),
      controls: list(id, { atLeast: 1 }),
      butFor: optional(list(id, { atLeast: 1 })),
    }),
  },
  { when: has('act'), shape: object({ kind: kind('unavailable', 'hazard'), act: id }) },
  {
    when: (input) => has('function')(input) && says('kind', 'becomes')(input),
    shape: object({
      kind: kind('becomes'),
      function: id,
      to: id,
      controls: optional(list(id, { atLeast: 1 })),
    }),
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
  {
    when: says('kind', 'bounded'),
    shape: object({
      kind: kind('bounded'),
      setting: settingId,
      atMost: optional(formula),
      atLeast: optional(formula),
    }),
  },
  { when: says('kind', 'ineffective'), shape: object({ kind: kind('ineffective'), setting: settingId }) },
  {
    when: says('kind', 'unavailable', 'hazard'),
    shape: object({ kind: kind('unavailable', 'hazard'), setting: settingId, values: list(value) }),
  },
])

export const need = object({ when: condition, because: words(400) })
