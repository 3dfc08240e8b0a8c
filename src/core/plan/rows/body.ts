import { checkValue, showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { behind, hasHead, rowId } from './id'
import { settingRanges } from './ranges'
import { unknownPart, type RowKind } from './kind'

/** A local value of one body, such as its file prefix. */
export interface LocalRow {
  readonly kind: 'body'
  readonly tag: string
  readonly setting: Setting
}

/** The id of a local value of one body. */
export function localRow(tag: string, setting: string): RowId {
  return rowId(`body/${tag}/${setting}`)
}

/** Whether a row is about one body. */
export function isBodyRow(id: string): id is RowId {
  return hasHead(id, 'body')
}

/** The tag of the body a row is about; null where it is about none. */
export function bodyTagOf(id: string): string | null {
  return behind(id, 'body')?.split('/')[0] ?? null
}

/** Whether something can be the tag of a body. */
export function isBodyTag(text: string | undefined): text is string {
  return text !== undefined && /^[a-z0-9][a-z0-9-]{0,40}$/.test(text)
}

export const bodyKind: RowKind<LocalRow> = {
  kind: 'body',
  heads: ['body'],
  form: ['body/<tag>/<setting>', 'a local value of one body, such as its file prefix'],
  parse({ model, id, parts }) {
    const [tag, name = ''] = parts
    if (!isBodyTag(tag)) return unknownPart(id, tag ?? '')
    const setting = lookup(model).settings.get(name)
    if (!setting || parts.length !== 2) return unknownPart(id, name)
    if (setting.place === 'local') return ok({ kind: 'body', tag, setting })
    return refuse(
      'not-local',
      `${setting.label} travels in the file; write body/${tag}/base/… or body/${tag}/bank/… where this body differs.`,
      id,
    )
  },
  id: ({ tag, setting }) => localRow(tag, setting.id),
  accepts: (_model, { setting }, value, id) => checkValue(setting.domain, value, id),
  describe: {
    place: ({ tag, setting }) => `Body ${tag}, ${setting.label}`,
    value: (_model, { setting }, value) => (value === null ? 'as base' : showValue(setting.domain, value)),
  },
  invalidates: () => ({ what: 'everything' }),
  ranges: (_model, { setting }, value) => settingRanges(setting, value),
  station: () => 'banks',
}
