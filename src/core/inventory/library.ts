import type { BodyModel } from '../model/types'
import type { Library } from './rows'

/**
 * The definitions with no more of them than an inventory asks for (names, firmware, cards, what stands on grip and adapter,
 * the settings of files): a page needs no whole models to say which they are.
 */
export function asNamed({ models, lenses }: Library): Library {
  return { models: models.map(named), lenses }
}

function named(model: BodyModel): BodyModel {
  return {
    ...model,
    faces: [],
    controls: model.controls
      .filter(({ presence }) => presence !== undefined)
      .map((control) => ({ ...control, gestures: [] })),
    settings: model.settings.filter(({ means }) => means?.startsWith('files.') ?? false),
    functions: [],
    acts: [],
    rules: [],
    doubts: [],
    menu: [],
  }
}
