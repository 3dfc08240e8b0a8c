import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'

/** Whether the model knows the adjustment at all. */
export function knows(model: BodyModel, what: string): boolean {
  return (
    lookup(model).byMeaning.has(what) ||
    model.functions.some((fn) => fn.means === what) ||
    (what === 'movie.swapSide' && turnsToOtherSide(model))
  )
}

/** Whether the mode dial, or a switch that is no key, has stills and motion both. */
export function turnsToOtherSide(model: BodyModel): boolean {
  return (
    model.sides.every((side) => model.positions.some((one) => one.side === side)) && model.sides.length > 1
  )
}
