import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { ModePosition, Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { hasHead, rowId } from './id'
import { settingRanges } from './ranges'
import { anywhere, unknownPart, type RowKind } from './kind'

/** A value that a remembered position of the mode dial keeps for itself. */
export interface PositionRow {
  readonly kind: 'position'
  readonly position: ModePosition
  readonly setting: Setting
}

/** The id of a value that a remembered position keeps for itself. */
export function positionRow(position: string, setting: string): RowId {
  return rowId(`position/${position}/${setting}`)
}

/** Whether a row is a value of a remembered position; of this one, where it is named. */
export function isPositionRow(id: string, position?: string): id is RowId {
  return hasHead(id, position === undefined ? 'position' : rowId(`position/${position}`))
}

export const positionKind: RowKind<PositionRow> = {
  kind: 'position',
  heads: ['position'],
  form: ['position/<position>/<setting>', 'a value a remembered position of the mode dial keeps for itself'],
  parse({ model, id, parts }) {
    const [positionId = '', name = ''] = parts
    const position = model.positions.find((candidate) => candidate.id === positionId)
    if (!position || parts.length !== 2) return unknownPart(id, positionId)
    const setting = lookup(model).settings.get(name)
    if (!setting) return unknownPart(id, name)
    if (position.keeps.includes(name)) return ok({ kind: 'position', position, setting })
    return refuse('not-stored', `${position.name} does not keep ${setting.label} for itself.`, id)
  },
  id: ({ position, setting }) => positionRow(position.id, setting.id),
  accepts: (_model, { setting }, value, id) => checkValue(setting.domain, value, id),
  describe: {
    place: ({ position, setting }) => `${position.name}, ${setting.label}`,
    value: (_model, { setting }, value) => (value === null ? 'as base' : showValue(setting.domain, value)),
  },
  invalidates: ({ setting }) => ({ what: 'setting', setting: setting.id, place: anywhere }),
  ranges: (_model, { setting }, value) => settingRanges(setting, value),
  station: () => 'banks',
}
