import { cellIn, gridCells } from '../../plan/cells'
import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { isFixedWhileFilming } from '../../resolve/filming'
import { answers } from '../../resolve/resolved'
import { resolutionNow } from './key-presses'
import { memoryPlan, type LiveState } from './state'

/**
 * Why a setting cannot be changed in a menu while a film is recorded: only a function menu opens then, so it has to stand in one
 * of the side, which a key that answers opens; and what the film is made of stays as it is. Null where it can.
 */
export function shutWhileRecording(model: BodyModel, state: LiveState, id: string): string | null {
  const setting = lookup(model).settings.get(id)
  if (isFixedWhileFilming(setting?.means ?? null)) return `${setting?.label} stays as it is while recording.`
  const { rows } = memoryPlan(state)
  const grids = new Set(
    gridCells(model)
      .filter(({ grid }) => grid.side === state.side)
      .filter((one) => cellIn(model, rows, state.banks, one) === id)
      .map(({ grid }) => grid.openedBy),
  )
  const opens = [...resolutionNow(model, state).addresses.values()].some(
    ({ active, verdict, effectiveFunctionId }) =>
      active && answers(verdict) && grids.has(effectiveFunctionId ?? ''),
  )
  return opens
    ? null
    : 'The menu does not open while recording, and this stands in no function menu that does.'
}
