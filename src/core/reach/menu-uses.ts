import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { directTiers } from './moves'
import type { ReachReport } from './report'

/** What the needs ask of an item on a side. */
export interface ItemUse {
  /** How often in an outing it is needed. */
  readonly needed: number
  /** The quickest way, in words; null where there is none. */
  readonly way: string | null
  /** It is reached without any menu. */
  readonly onKey: boolean
}

/** What the needs of a side ask of each setting, by setting id. */
export function menuUses(
  model: BodyModel,
  { reached }: ReachReport,
  side: Side,
): ReadonlyMap<string, ItemUse> {
  const uses = new Map<string, ItemUse>()
  for (const { need, best } of reached) {
    const id = lookup(model).byMeaning.get(need.what)?.id
    if (id === undefined || need.side !== side) continue
    const was = uses.get(id)
    uses.set(id, {
      needed: (was?.needed ?? 0) + need.perOuting,
      way: best?.words ?? was?.way ?? null,
      onKey: (was?.onKey ?? false) || directTiers.some((tier) => tier === best?.tier),
    })
  }
  return uses
}
