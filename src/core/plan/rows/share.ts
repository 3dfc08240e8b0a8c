import { lookup } from '../../model/lookup'
import type { Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'

/** Whether stills and motion share a setting's cell. */
export interface ShareRow {
  readonly kind: 'share'
  readonly setting: Setting
}

/** The id of a share list row. */
export function shareRow(setting: { readonly id: string }): RowId {
  return rowId(`share/${setting.id}`)
}

export const shareKind: RowKind<ShareRow> = {
  kind: 'share',
  heads: ['share'],
  form: ['share/<setting>', 'whether stills and motion share its cell'],
  parse({ model, id, parts }) {
    const setting = lookup(model).settings.get(parts.join('/'))
    if (!setting) return unknownPart(id, parts.join('/'))
    if (setting.shared !== undefined) return ok({ kind: 'share', setting })
    return refuse('not-shared', `${setting.label} is not on this camera's share list.`, id)
  },
  id: ({ setting }) => shareRow(setting),
  accepts: (_model, _row, value, id) =>
    typeof value === 'boolean' ? ok(value) : refuse('outside', 'A share list row is true or false.', id),
  describe: {
    place: ({ setting }) => `Share list, ${setting.label}`,
    value: (_model, { setting }, value) => ((value ?? setting.shared) === true ? 'shared' : 'apart'),
  },
  invalidates: () => ({ what: 'everything' }),
  station: () => 'banks',
}
