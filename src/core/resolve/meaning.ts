import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Resolution, ResolvedSetting } from './resolved'

/** What a common setting amounts to in a state; undefined where the model has none. */
export function valueMeaning(
  model: BodyModel,
  { settings }: Pick<Resolution, 'settings'>,
  means: string,
): ResolvedSetting | undefined {
  const setting = lookup(model).byMeaning.get(means)
  return setting && settings.get(setting.id)
}
