import { showValue } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { factsOf } from '../rules/condition'
import type { Resolution, ResolvedSetting } from '../resolve/resolved'
import { termOf } from '../vocabulary/terms'
import { decidedBy } from './meaning'

/** What is behind several things that do nothing: the one fact to change, or to know. */
export interface Cause {
  /** The same for whatever comes of the same fact. */
  readonly key: string
  /** Plain words, such as "Auto ISO is on" or "the lens". */
  readonly words: string
}

/** How far a rule is followed to the rule that forces what it asks. */
const deepest = 4

/**
 * What a rule comes from in a state: a property of the lens, or the value of a setting that somebody chose; a value that
 * another rule forces is followed to what that one comes from. Null where it hangs on neither.
 */
export function causeOf(model: BodyModel, resolution: Resolution, rule: string, depth = 0): Cause | null {
  // Keys of grip and adapter are not asked while those are off, so what is not there is on the lens.
  if (rule === 'presence') return { key: 'lens', words: 'the lens' }
  const found = model.rules.find(({ id }) => id === rule)
  if (!found || depth >= deepest) return null
  const facts = factsOf(found.when)
  if (facts.some((fact) => fact.split('/')[0] === 'lens')) return { key: 'lens', words: 'the lens' }
  const settings = settingsIn(found.when).flatMap((id) => resolution.settings.get(id) ?? [])
  const causes = settings.flatMap((resolved): Cause[] => {
    const last = resolved.chain.at(-1)
    if (last?.layer === 'rule' && last.from !== null) {
      const behind = causeOf(model, resolution, last.from, depth + 1)
      return behind ? [behind] : []
    }
    return [
      { key: `${resolved.setting.id} ${decidedBy(resolved) ?? 'delivered'}`, words: isAt(model, resolved) },
    ]
  })
  return causes.find(({ key }) => key === 'lens') ?? causes[0] ?? null
}

function isAt(model: BodyModel, { setting, value }: ResolvedSetting): string {
  const { domain } = lookup(model).settings.get(setting.id) ?? setting
  const name = setting.means === null ? setting.label : termOf(setting.means)
  return `${name} is ${showValue(domain, value)}`
}
