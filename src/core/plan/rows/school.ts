import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { questionCalled, type Question } from '../../vocabulary/questions'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesOneOf } from './takes'

/** The owner's side in a question that has several. */
export interface SchoolRow {
  readonly kind: 'school'
  readonly question: Question
}

/** The id of the owner's side in a question. */
export function schoolRow(question: string): RowId {
  return rowId(`school/${question}`)
}

export const schoolKind: RowKind<SchoolRow> = {
  kind: 'school',
  heads: ['school'],
  form: ['school/<question>', 'the owner’s side in a question that has several'],
  parse({ id, parts }) {
    const question = questionCalled(parts.join('/'))
    return question ? ok({ kind: 'school', question }) : unknownPart(id, parts.join('/'))
  },
  id: ({ question }) => schoolRow(question.id),
  accepts: (_model, { question }, value, id) =>
    takesOneOf(
      question.schools.map((school) => school.id),
      value,
      id,
    ),
  describe: {
    place: ({ question }) => question.question,
    value: (_model, { question }, value) =>
      question.schools.find((school) => school.id === value)?.name ?? 'undecided',
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'focus',
}
