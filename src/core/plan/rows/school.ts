import type { Side } from '../../model/types'
import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { questionCalled, type Question } from '../../vocabulary/questions'
import { behind, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { parseSlot } from './slot'
import { takesOneOf } from './takes'

/** What an answer holds for: the whole plan, one side, one bank, or one situation. */
export type SchoolScope =
  | null
  | { readonly side: Side }
  | { readonly family: string; readonly slot: string }
  | { readonly situation: string }

/** The owner's side in a question that has several. */
export interface SchoolRow {
  readonly kind: 'school'
  readonly question: Question
  readonly scope: SchoolScope
}

/** The id of the owner's side in a question, for the whole plan or for a part of it. */
export function schoolRow(question: string, scope: SchoolScope = null): RowId {
  return rowId(`school/${question}${scope === null ? '' : `@${scopeText(scope)}`}`)
}

/** The question that a row answers for a bank or a situation alone; null for every other row. */
export function questionApart(row: RowId): string | null {
  const [question = '', scope] = (behind(row, 'school') ?? '').split('@')
  return scope?.includes('/') === true ? question : null
}

function scopeText(scope: Exclude<SchoolScope, null>): string {
  if ('side' in scope) return scope.side
  return 'situation' in scope ? `situation/${scope.situation}` : `bank/${scope.family}/${scope.slot}`
}

export const schoolKind: RowKind<SchoolRow> = {
  kind: 'school',
  heads: ['school'],
  form: [
    'school/<question>, school/<question>@<part>',
    'the owner’s side in a question that has several; @ a side, @bank/<family>/<slot> or @situation/<id> for that part alone',
  ],
  parse({ model, id, parts }) {
    const [name = '', ...more] = parts.join('/').split('@')
    const question = questionCalled(name)
    const [text] = more
    if (!question || more.length > 1) return unknownPart(id, name)
    if (text === undefined) return ok({ kind: 'school', question, scope: null })
    const side = model.sides.find((one) => one === text)
    if (side) return ok({ kind: 'school', question, scope: { side } })
    const [head, one = '', two, ...rest] = text.split('/')
    if (head === 'situation' && one !== '' && two === undefined)
      return ok({ kind: 'school', question, scope: { situation: one } })
    if (head !== 'bank' || rest.length > 0) return unknownPart(id, text)
    const found = parseSlot(model, id, one, two)
    if (!found.ok) return found
    const { family, slot } = found.value
    return ok({ kind: 'school', question, scope: { family: family.id, slot: slot.id } })
  },
  id: ({ question, scope }) => schoolRow(question.id, scope),
  accepts: (_model, { question }, value, id) =>
    takesOneOf(
      question.schools.map((school) => school.id),
      value,
      id,
    ),
  describe: {
    place: ({ question, scope }) =>
      scope === null ? question.question : `${question.question} (${scopeText(scope)})`,
    value: (_model, { question }, value) =>
      question.schools.find((school) => school.id === value)?.name ?? 'undecided',
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'focus',
}
