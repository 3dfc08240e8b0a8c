import type { Plan } from '../plan/plan'
import { rowValue, sheetRow } from '../plan/rows'
import type { SheetForm } from './catalogue'
import { isPaper, type PaperId } from './page/page'

/** What the owner chose for a sheet: the paper, and the parts left out; as usual where nothing was chosen. */
export function chosenFor({ rows }: Plan, form: SheetForm): { paper: PaperId; without: readonly string[] } {
  const paper = rowValue(rows, sheetRow(form.id, 'paper'))
  const without = rowValue(rows, sheetRow(form.id, 'without'))
  return {
    paper: typeof paper === 'string' && isPaper(paper) ? paper : form.paper,
    without: Array.isArray(without) ? without.map(String) : [],
  }
}
