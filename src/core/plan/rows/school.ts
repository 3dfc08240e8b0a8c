import { ok } from '../../result'
import type { RowId } from '../../sync/step'
import { disputeCalled, type Dispute } from '../../vocabulary/schools'
import { rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { takesOneOf } from './takes'

/** The owner's side in a question that has several. */
export interface SchoolRow {
  readonly kind: 'school'
  readonly dispute: Dispute
}

/** The id of the owner's side in a question. */
export function schoolRow(dispute: string): RowId {
  return rowId(`school/${dispute}`)
}

export const schoolKind: RowKind<SchoolRow> = {
  kind: 'school',
  heads: ['school'],
  form: ['school/<question>', 'the owner’s side in a question that has several'],
  parse({ id, parts }) {
    const dispute = disputeCalled(parts.join('/'))
    return dispute ? ok({ kind: 'school', dispute }) : unknownPart(id, parts.join('/'))
  },
  id: ({ dispute }) => schoolRow(dispute.id),
  accepts: (_model, { dispute }, value, id) =>
    takesOneOf(
      dispute.schools.map((school) => school.id),
      value,
      id,
    ),
  describe: {
    place: ({ dispute }) => dispute.question,
    value: (_model, { dispute }, value) =>
      dispute.schools.find((school) => school.id === value)?.name ?? 'undecided',
  },
  invalidates: () => ({ what: 'words' }),
  station: () => 'focus',
}
