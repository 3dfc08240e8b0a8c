import type { Plan } from '../../plan/plan'
import { certaintyWords, noteRow, rowValue, type NoteName, type RowId } from '../../plan/rows'
import type { Cell } from '../types'
import { capital } from '../../text'

/** What is said beside a row in one cell: why, how sure, who, since which firmware, and a risk with its day. */
export function noted(plan: Plan, row: RowId): Cell {
  const note = (name: NoteName) => {
    const value = rowValue(plan.rows, noteRow(name, row))
    return typeof value === 'string' ? value : null
  }
  const [why, sure, who, source, risk] = (['why', 'sure', 'who', 'source', 'risk'] as const).map(note)
  const said = [
    ...(why ? [sentence(why)] : []),
    ...(sure ? [`${capital(certaintyWords[sure as keyof typeof certaintyWords])}.`] : []),
    ...(who ? [`By ${who}.`] : []),
    ...(source ? [`From ${sentence(source)}`] : []),
    ...(risk ? [`Risk accepted ${risk}.`] : []),
  ]
  const isUnsure = sure === 'open' || sure === 'hearsay' || sure === 'borrowed' || risk != null
  return { text: said.join(' '), ...(isUnsure ? { mark: 'unsure' as const } : {}) }
}

function sentence(text: string): string {
  return /[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`
}
