import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { needFlags } from '../../vocabulary/need-flags'
import { functionTerms, idNow, settingTerms, termOf } from '../../vocabulary/terms'
import { behind, hasHead, isOwnName, rowId } from './id'
import { unknownPart, type RowKind } from './kind'

/**
 * How often a common setting is changed, or a common function done, in one outing, and how: a list, the count first,
 * then any of `needFlags`.
 */
export interface NeedRow {
  readonly kind: 'need'
  readonly situation: string
  readonly what: string
}

/** The id of a need of a situation. */
export function needRow(situation: string, what: string): RowId {
  return rowId(`need/${situation}/${what}`)
}

/** Whether a row is a need. */
export function isNeedRow(id: string): id is RowId {
  return hasHead(id, 'need')
}

/** The situation of a need; null where it is another row. */
export function needSituationOf(id: string): string | null {
  return behind(id, 'need')?.split('/')[0] ?? null
}

export const needKind: RowKind<NeedRow> = {
  kind: 'need',
  heads: ['need'],
  form: [
    'need/<situation>/<what>',
    'how often a common setting is changed, or a common function done, in one outing, and how: a list, the count first, then any of urgent, finder, recording',
  ],
  parse({ id, parts }) {
    const [situation, written = ''] = parts
    const what = idNow(written)
    const known = settingTerms.has(what) || functionTerms.has(what)
    return parts.length === 2 && isOwnName(situation) && known
      ? ok({ kind: 'need', situation, what })
      : unknownPart(id, parts.join('/'))
  },
  id: ({ situation, what }) => needRow(situation, what),
  accepts(_model, _row, value, id) {
    const [count, ...flags] = Array.isArray(value) ? (value as unknown[]) : []
    const places = flags.map((flag) => needFlags.findIndex((one) => one === flag))
    const sound =
      typeof count === 'string' &&
      /^(0|[1-9]\d{0,3})$/.test(count) &&
      places.every((place, i) => place >= 0 && (i === 0 || place > (places[i - 1] ?? 0)))
    if (sound) return ok(value as readonly string[])
    return refuse(
      'outside',
      `A need is a count from 0 to 9999, then any of ${needFlags.join(', ')}, in this order.`,
      id,
    )
  },
  describe: {
    place: ({ situation, what }) => `Need in ${situation}: ${termOf(what)}`,
    value: (_model, _row, value) => (Array.isArray(value) ? `${value.join(', ')} an outing` : 'none'),
  },
  invalidates: () => ({ what: 'needs' }),
  station: () => 'foundation',
}
