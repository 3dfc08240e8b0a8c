import { excerptOf } from '../model/excerpt'
import type { BodyModel, ModelFunction } from '../model/types'
import { memoize } from '../memoize'
import { focusRole } from '../vocabulary/focus-roles'

/** The part of a model that focus hangs on. */
export const focusExcerpt: (model: BodyModel) => BodyModel = memoize((model: BodyModel) => {
  const recording = model.settings.filter((setting) => setting.means === 'movie.recordByShutter')
  return excerptOf(model, {
    settings: [...model.settings.filter(isFocus), ...recording].map((setting) => setting.id),
    functions: new Set(model.functions.filter((fn) => hasSay(model, fn)).map((fn) => fn.id)),
  })
})

/** Whether a function has a say in focus: by what it means, what it overrides, or the hold set it calls. */
function hasSay(model: BodyModel, fn: ModelFunction): boolean {
  if (focusRole(fn.means) !== 'none' || isFocus(fn) || fn.holdSet !== undefined) return true
  const focus = new Set(model.settings.filter(isFocus).map((setting) => setting.id))
  return [...Object.keys(fn.overrides ?? {}), ...fn.changes].some((id) => focus.has(id))
}

function isFocus({ means }: { readonly means: string | null }): boolean {
  return means?.startsWith('focus.') ?? false
}
