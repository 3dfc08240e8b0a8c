import { cellIn, gridCells } from '../../plan/cells'
import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { isFixedWhileFilming } from '../../resolve/filming'
import { answers } from '../../resolve/resolved'
import { resolutionNow } from './key-presses'
import { memoryPlan, type LiveState } from './state'

/**
 * Whether a setting can be changed in a menu while a film is recorded: only a function menu opens then, so it has to stand in
 * one of the side, which a key that answers opens; and what the film is made of stays as it is.
 */
export function isInOpenableMenu(model: BodyModel, state: LiveState, setting: string): boolean {
  if (isFixedWhileFilming(lookup(model).settings.get(setting)?.means ?? null)) return false
  const { rows } = memoryPlan(state)
  const grids = new Set(
    gridCells(model)
      .filter(({ grid }) => grid.side === state.side)
      .filter((one) => cellIn(model, rows, state.banks, one) === setting)
      .map(({ grid }) => grid.openedBy),
  )
  return [...resolutionNow(model, state).addresses.values()].some(
    ({ active, verdict, effectiveFunctionId }) =>
      active && answers(verdict) && grids.has(effectiveFunctionId ?? ''),
  )
}
