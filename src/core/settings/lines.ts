import { memoize } from '../memoize'
import { itemName, lookup } from '../model/lookup'
import { setUpLines } from '../model/menu'
import type { BodyModel, SetUpPage } from '../model/types'
import { subjectOf } from '../vocabulary/subjects'

/** A line of the whole menu, in the camera's own order; the settings that stand in no menu come last. */
export interface SettingLine {
  readonly id: string
  readonly kind: 'setting' | 'act' | 'setUp'
  /** What the camera calls it. */
  readonly label: string
  /** Name of its page of the menu. */
  readonly page: string
  /** "Focus 2 / line 4"; null where it stands in no menu. */
  readonly address: string | null
  /** Common id of what it means; null for acts, and for a setting of this model alone. */
  readonly means: string | null
  /** Id of the subject it belongs to. */
  readonly subject: string | null
  /** What an act takes with it, as the camera warns. */
  readonly warning: string | null
  /** The page it opens. */
  readonly opens: SetUpPage | null
  /** It is set by hand on the body: no plan, file or bank holds it. */
  readonly isByHand: boolean
}

/** The heading over the settings that stand in no menu. */
export const inNoMenu = 'In no menu'

/** Every line of a model's menu, and then every setting in no menu; made once for each model. */
export const settingLines: (model: BodyModel) => readonly SettingLine[] = memoize(
  (model: BodyModel): readonly SettingLine[] => {
    const { settings, acts, menuPlaces } = lookup(model)
    const setUp = new Map(setUpLines(model).map((line) => [line.id, line]))
    const places = [...menuPlaces.values()].map(({ id, address, page }) => ({
      id,
      address,
      page: model.menu[page]?.name ?? '',
    }))
    const others = model.settings
      .filter(({ id }) => !menuPlaces.has(id))
      .map(({ id }) => ({ id, address: null, page: inNoMenu }))
    return [...places, ...others].map(({ id, ...at }): SettingLine => {
      const setting = settings.get(id)
      const page = setUp.get(id)
      return {
        ...at,
        id,
        kind: setting ? 'setting' : page ? 'setUp' : 'act',
        label: itemName(model, id),
        means: setting?.means ?? null,
        subject: subjectOf(setting?.means ?? null)?.id ?? null,
        warning: acts.get(id)?.warning ?? null,
        opens: page?.opens ?? null,
        isByHand: setting?.place === 'physical',
      }
    })
  },
)
