import type { BodyModel, Setting } from '../model/types'

/** Whether a configuration file carries a setting: not one of this camera alone, not a marked dial, not one it leaves behind. */
export function travels(model: BodyModel, setting: Setting): boolean {
  const stays = setting.place === 'local' || setting.place === 'physical'
  return !stays && !model.cardFile.leavesBehind.includes(setting.id)
}
