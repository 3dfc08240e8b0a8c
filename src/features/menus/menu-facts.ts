import { lookup } from '@/core/model/lookup'
import type { BodyModel, LensModel, Side } from '@/core/model/types'
import { gridCells, ownLines } from '@/core/plan/cells'
import { itemAt } from '@/core/plan/menu-items'
import type { Plan } from '@/core/plan/plan'
import type { ReachReport } from '@/core/reach/reach'
import { usualContext } from '@/core/resolve/context'
import { resolve } from '@/core/resolve/resolve'

/** What the needs ask of an item on a side. */
export interface ItemUse {
  /** How often in an outing it is needed. */
  readonly needed: number
  /** How often a function menu or the own menu is then the quickest way. */
  readonly byMenu: number
  /** The quickest way, in words; null where there is none. */
  readonly way: string | null
  /** It is reached without any menu. */
  readonly onKey: boolean
}

/** What the needs of a side ask of each setting, by setting id; for the own menu, which both sides share, of all. */
export function menuUses(
  model: BodyModel,
  plan: Plan,
  reach: ReachReport,
  side: Side,
): ReadonlyMap<string, ItemUse> {
  const uses = new Map<string, ItemUse>()
  for (const { need, best } of reach.reached) {
    const id = lookup(model).byMeaning.get(need.what)?.id
    if (id === undefined || need.side !== side) continue
    const was = uses.get(id) ?? { needed: 0, byMenu: 0, way: null, onKey: false }
    const inMenu = best?.tier === 'function-menu' || best?.tier === 'own-menu'
    const onKey = best !== null && !inMenu && best.tier !== 'full-menu'
    uses.set(id, {
      needed: was.needed + need.perOuting,
      byMenu: was.byMenu + (inMenu ? need.perOuting : 0),
      way: best?.words ?? was.way,
      onKey: was.onKey || onKey,
    })
  }
  return uses
}

/** Everything that stands in menus: the places of each item. */
export function placesOf(model: BodyModel, plan: Plan): ReadonlyMap<string, readonly string[]> {
  const rows = [
    ...gridCells(model).map(({ grid, cell }) => `grid/${grid.id}/${cell}`),
    ...ownLines(model).map(({ row }) => row),
  ]
  const places = new Map<string, string[]>()
  for (const row of rows) {
    const item = itemAt(model, plan, row)
    if (item !== null) places.set(item, [...(places.get(item) ?? []), row])
  }
  return places
}

/** The sides on which a line does nothing as the camera stands, with the reason: it is greyed or gone there. */
export function idleOn(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
): ReadonlyMap<string, readonly { readonly side: Side; readonly because: string }[]> {
  const idle = new Map<string, { side: Side; because: string }[]>()
  for (const side of model.sides) {
    const plain = usualContext(model, plan, lenses, side)
    if (!plain) continue
    for (const [id, { remarks }] of resolve(model, plan, plain.context).settings) {
      const remark = remarks.find(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
      if (remark) idle.set(id, [...(idle.get(id) ?? []), { side, because: remark.because }])
    }
  }
  return idle
}
