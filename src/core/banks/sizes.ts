import { showValue, valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import { excerptOf } from '../model/excerpt'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { effectiveState, refusing } from '../resolve/state'
import { route } from '../route/route'
import { sameValue, type Value } from '../vocabulary/values'
import type { Column } from './columns'

/** A film size, or another choice that excludes it, as it is offered in a column. */
export interface Offered {
  readonly setting: Setting
  readonly value: Value
  readonly name: string
  readonly chosen: boolean
  /** The rules in the way; empty where it can be chosen. */
  readonly because: readonly string[]
  /** What to switch first, in the camera's own order, each "Movie crop: 1.5 × → None (Film / line 4)"; empty where nothing helps. */
  readonly first: readonly string[]
}

/** What is written together and excludes one another: sizes, compression, rate, crop, depth. */
const together = [
  'movie.size',
  'movie.quality',
  'movie.compression',
  'movie.frameRate',
  'movie.crop',
  'movie.bits',
]

/** The settings of a body that decide together what is written. */
export function filmSettings(model: BodyModel): Setting[] {
  return together.flatMap((means) => lookup(model).byMeaning.get(means) ?? [])
}

/**
 * Every film size, rate and the like, as a column has it: chosen, on offer, or excluded with what to switch off first.
 * The order is that of the camera's menu. A rate of the other mains region is not counted as excluded.
 */
export function filmChoices(whole: BodyModel, plan: Plan, column: Column): Offered[] {
  if (column.side !== 'motion') return []
  const settings = filmSettings(whole)
  const model = excerptOf(whole, { settings: settings.map(({ id }) => id) })
  const here = effectiveState(model, plan, column.context)
  return settings.flatMap((setting) => {
    return (valuesOf(setting.domain) ?? []).flatMap((value): Offered[] => {
      const edits = { ...column.context.edits, [setting.id]: value }
      const tried = effectiveState(model, plan, { ...column.context, edits })
      if (!sameValue(tried.possible.get(setting.id)?.[0], value)) return []
      const because = refusing(tried, setting.id, value)
      return [
        {
          setting,
          value,
          name: showValue(setting.domain, value),
          chosen: sameValue(here.possible.get(setting.id)?.[0], value),
          because,
          first: because.length === 0 ? [] : wayTo(model, plan, column, setting, value),
        },
      ]
    })
  })
}

/** The changes before the wanted one, as the camera's menu has them. */
function wayTo(model: BodyModel, plan: Plan, column: Column, setting: Setting, value: Value): string[] {
  const found = route(model, plan, column.context, { values: { [setting.id]: value } })
  if (!found.ok) return []
  const steps = found.value.steps.filter(({ move }) => move.kind === 'setting')
  const last = steps.findLastIndex(({ move }) => move.kind === 'setting' && move.setting === setting.id)
  return steps
    .slice(0, Math.max(0, last))
    .map(({ words, where }) => (where === '' ? words : `${words} (${where})`))
}
