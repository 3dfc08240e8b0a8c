import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { functionTerms } from '../../vocabulary/terms'
import { behind, hasHead, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { fingerNames } from './owner'

/** What the hand has learned on another body: a finger and a face where a common function is looked for. */
export interface HabitRow {
  readonly kind: 'habit'
  /** A common function. */
  readonly what: string
}

/** The id of a habit: under which finger a common function is looked for. */
export function habitRow(what: string): RowId {
  return rowId(`habit/${what}`)
}

/** The common function that a habit is about; null where it is another row. */
export function habitOf(id: string): string | null {
  return hasHead(id, 'habit') ? behind(id, 'habit') : null
}

/** The faces of a body that a habit may name; models name theirs so. */
const faceNames = ['back', 'top', 'front', 'barrel', 'grip'] as const

export const habitKind: RowKind<HabitRow> = {
  kind: 'habit',
  heads: ['habit'],
  form: [
    'habit/<common function>',
    'what the hand has learned on another body: a list of the finger (thumb, index, middle, left, palm) and the face (back, top, front, barrel, grip) where it is looked for',
  ],
  parse({ id, parts }) {
    const what = parts.join('/')
    return functionTerms.has(what) ? ok({ kind: 'habit', what }) : unknownPart(id, what)
  },
  id: ({ what }) => habitRow(what),
  accepts(_model, _row, value, id) {
    const [finger, face, ...more] = Array.isArray(value) ? (value as unknown[]) : []
    const fits =
      more.length === 0 && fingerNames.some((one) => one === finger) && faceNames.some((one) => one === face)
    return fits
      ? ok([String(finger), String(face)])
      : refuse(
          'outside',
          `This row takes a finger (${fingerNames.join(', ')}) and a face (${faceNames.join(', ')}).`,
          id,
        )
  },
  describe: {
    place: ({ what }) => `Habit, ${functionTerms.get(what) ?? what}`,
    value: (_model, _row, value) => (Array.isArray(value) ? value.join(', ') : 'none'),
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'foundation',
}
