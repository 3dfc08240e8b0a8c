import type { BodyModel } from './types'

/** Whether a body with one firmware reads files that another wrote; a firmware the model has not reads none but its own. */
export function readsFilesOf(model: BodyModel, firmware: string, writer: string): boolean {
  const known = model.firmware.find(({ version }) => version === firmware)
  return firmware === writer || known?.readsFilesFrom.includes(writer) === true
}
