import type { CommonFunction, CommonSetting } from './common'
import { functionTable } from './functions'
import { cameraSettings } from './settings/camera'
import { exposureSettings } from './settings/exposure'
import { focusSettings } from './settings/focus'
import { movieSettings } from './settings/movie'
import { pictureSettings } from './settings/picture'

/** The common settings by id, group by group. */
export const commonSettings: ReadonlyMap<string, CommonSetting> = new Map(
  [...exposureSettings, ...focusSettings, ...pictureSettings, ...movieSettings, ...cameraSettings].map(
    (one) => [one.id, one],
  ),
)

/** The common functions by id, group by group. */
export const commonFunctions: ReadonlyMap<string, CommonFunction> = new Map(
  functionTable.map((one) => [one.id, one]),
)

/** The field's standard term for what a common setting or function is; the id where there is none such. */
export function termOf(what: string): string {
  return (commonSettings.get(what) ?? commonFunctions.get(what))?.term ?? what
}
