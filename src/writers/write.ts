import { editableLines } from '@/core/sheets/edit/editable'
import { composePages } from '@/core/sheets/page/compose'
import type { PaperId } from '@/core/sheets/page/page'
import type { Sheet } from '@/core/sheets/types'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import type { SheetFile } from './forms'
import { writePdf, type FontBytes } from './pdf'
import { writeCsv, writeJson, writeMarkdown } from './text'

/** What the sheets are of. */
export interface WrittenOf {
  readonly model: BodyModel
  /** The plan of all bodies. */
  readonly plan: Plan
  /** Of which body it is; null for none in particular. */
  readonly tag: string | null
  readonly paper: PaperId
}

/**
 * Sheets as one file of some form: a PDF has the pages of all of them, one after the other; any other form the first. The
 * fonts are asked for where the form needs them.
 */
export async function writeSheet(
  form: SheetFile,
  [sheet, ...more]: readonly [Sheet, ...Sheet[]],
  { model, plan, tag, paper }: WrittenOf,
  fonts: () => Promise<FontBytes>,
): Promise<Uint8Array> {
  const bytes = (text: string) => new TextEncoder().encode(text)
  switch (form) {
    case 'pdf':
      return writePdf(
        sheet,
        [sheet, ...more].flatMap((one) => composePages(one, paper)),
        await fonts(),
      )
    case 'xlsx': {
      const { writeWorkbook } = await import('./workbook')
      return writeWorkbook(sheet, editableLines(model, plan, sheet, tag))
    }
    case 'csv':
      return bytes(`\uFEFF${writeCsv(editableLines(model, plan, sheet, tag))}`)
    case 'md':
      return bytes(writeMarkdown(sheet))
    case 'json':
      return bytes(writeJson(sheet))
  }
}
