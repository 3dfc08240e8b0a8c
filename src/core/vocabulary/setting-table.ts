import type { CommonSetting, Touches, Unit } from './common'
import { settingTerms } from './terms'
import { linesOf } from './text-table'

const touches: readonly string[] = ['raw', 'still', 'movie', 'preview', 'histogram', 'meter', 'sound', 'hand']

/**
 * Reads a table of common settings, a line each: id | unit | touches | plain words. Throws on a line out of shape, and on a
 * setting without a term.
 */
export function settingTable(text: string): CommonSetting[] {
  return linesOf(text, 4).map(([id = '', unit = '', touched = '', plain = '']) => {
    const list = touched.split(' ')
    const odd = list.find((one) => !touches.includes(one))
    if (odd !== undefined) throw new Error(`${id} touches “${odd}”, which is not known`)
    const term = settingTerms.get(id)
    if (term === undefined) throw new Error(`${id} has no term`)
    return { id, group: id.split('.')[0] ?? id, term, unit: unit as Unit, touches: list as Touches[], plain }
  })
}
