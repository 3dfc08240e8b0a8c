import { memoryOf } from '../../camera/memory'
import { showValue } from '../../model/domain'
import { menuOrder } from '../../model/lookup'
import {
  bodyFirmwareRow,
  describeRow,
  idsOf,
  localRow,
  noteRow,
  rowValue,
  showRow,
  type RowId,
} from '../../plan/rows'
import { sameValue } from '../../vocabulary/values'
import { tableUnder, wordsUnder } from '../blocks'
import { settingAt } from '../edit/row-values'
import { addressOf, type Given } from '../given'
import type { Block, Line } from '../types'

/** What differs from what the sheet is held against, row by row in the order of the menu, both named. */
export function differencePart(given: Given): Block[] {
  const { model, plan, against, body } = given
  if (!against)
    return [{ part: 'difference', kind: 'words', lines: ['Nothing is named to hold this plan against.'] }]
  const here = memoryOf(model, plan)
  const rows = [...new Set([...idsOf(here), ...idsOf(against.memory)])]
    .filter((row) => !sameValue(here[row], against.memory[row]))
    .toSorted((one, two) => placeOf(given, one) - placeOf(given, two) || (one < two ? -1 : 1))
  const name = `${body?.name ?? 'This plan'} and ${against.name}`
  const lines = rows.map((row): Line => {
    const [ours, theirs] = [rowValue(here, row), rowValue(against.memory, row)]
    const why = rowValue(plan.rows, noteRow('why', row))
    return {
      cells: [
        { text: menuOf(given, row) },
        { text: describeRow(model, row) },
        {
          text: ours === null ? 'not there' : showRow(model, row, ours),
          row,
          ...(ours === null ? {} : { value: ours }),
          isStrong: true,
        },
        { text: theirs === null ? 'not there' : showRow(model, row, theirs) },
        { text: typeof why === 'string' ? why : '' },
      ],
    }
  })
  const all = [...lines, ...localLines(given)]
  if (all.length === 0) return wordsUnder('difference', name, ['They are the same, row for row.'])
  const columns = ['Menu', 'What', body?.name ?? 'This plan', against.name, 'Why']
  return tableUnder('difference', name, columns, all)
}

/** What two cameras have each for itself: firmware, file prefix, numbering. */
function localLines({ model, whole: { rows }, against, body }: Given): Line[] {
  if (!body || against?.tag === undefined) return []
  const { tag } = against
  const firmware = {
    label: 'Firmware',
    where: '',
    words: (one: string) => String(rowValue(rows, bodyFirmwareRow(one)) ?? 'not said'),
  }
  const local = model.settings
    .filter(({ place }) => place === 'local')
    .map((setting) => ({
      label: setting.label,
      where: addressOf(model, setting.id),
      words: (one: string) => {
        const value = rowValue(rows, localRow(one, setting.id))
        return value === null ? 'not said' : showValue(setting.domain, value)
      },
    }))
  return [firmware, ...local].flatMap(({ label, where, words }): Line[] => {
    const [ours, theirs] = [words(body.tag), words(tag)]
    if (ours === theirs) return []
    const own = { text: ours, isStrong: true }
    return [{ cells: [{ text: where }, { text: label }, own, { text: theirs }, { text: '' }] }]
  })
}

/** Rows of the menu in its order, then what stands in no menu, then keys, cells and names. */
function placeOf(given: Given, row: RowId): number {
  const setting = settingAt(given.model, row)
  return setting ? (menuOrder(given.model).get(setting.id) ?? 10_000) : 20_000
}

function menuOf(given: Given, row: RowId): string {
  return addressOf(given.model, settingAt(given.model, row)?.id ?? '')
}
