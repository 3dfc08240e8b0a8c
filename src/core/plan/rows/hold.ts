import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { HoldSet, Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { hasHead, rowId } from './id'
import { settingRanges } from './ranges'
import { anywhere, unknownPart, type RowKind } from './kind'

/** A ticked row of a hold set. */
export interface HoldRow {
  readonly kind: 'hold'
  readonly set: HoldSet
  readonly setting: Setting
}

/** The id of a ticked row of a hold set. */
export function holdRow(set: string, setting: string): RowId {
  return rowId(`hold/${set}/${setting}`)
}

/** Whether a row belongs to a hold set, its name included; to this one, where it is named. */
export function isHoldRow(id: string, set?: string): id is RowId {
  return hasHead(id, set === undefined ? 'hold' : rowId(`hold/${set}`))
}

/** Whether a setting can be ticked in a hold set. */
export function mayTick(set: HoldSet, setting: Setting): boolean {
  return set.allows?.includes(setting.id) ?? (setting.place !== 'local' && setting.place !== 'physical')
}

export const holdKind: RowKind<HoldRow> = {
  kind: 'hold',
  heads: ['hold'],
  form: ['hold/<set>/<setting>', 'a ticked row of a hold set'],
  parse({ model, id, parts }) {
    const [setId = '', name = ''] = parts
    const set = model.holdSets.find((candidate) => candidate.id === setId)
    if (!set || parts.length !== 2) return unknownPart(id, setId)
    const setting = lookup(model).settings.get(name)
    if (!setting) return unknownPart(id, name)
    if (mayTick(set, setting)) return ok({ kind: 'hold', set, setting })
    return refuse('not-held', `${setting.label} cannot be changed by a hold set.`, id)
  },
  id: ({ set, setting }) => holdRow(set.id, setting.id),
  accepts: (_model, { setting }, value, id) => checkValue(setting.domain, value, id),
  describe: {
    place: ({ set, setting }) => `Hold set ${set.name}, ${setting.label}`,
    value: (_model, { setting }, value) => (value === null ? 'not ticked' : showValue(setting.domain, value)),
  },
  invalidates: ({ setting }) => ({ what: 'setting', setting: setting.id, place: anywhere }),
  ranges: (_model, { setting }, value) => settingRanges(setting, value),
  station: () => 'banks',
}
