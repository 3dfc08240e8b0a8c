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
