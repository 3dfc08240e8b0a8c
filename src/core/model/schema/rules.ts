import { factPattern } from '../../rules/facts'
import { indicators } from '../../rules/rule'
import { choose, has, list, named, object, oneOf, optional, says, text } from './shapes'
import { id, kind, settingId, value, words } from './ids'

/** Conditions, consequences, and what has to hold before an act. */

export const condition = named('condition', (self) => {
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

export const consequence = choose('a consequence; docs/models.md lists them', [
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

export const need = object({ when: condition, because: words(400) })
