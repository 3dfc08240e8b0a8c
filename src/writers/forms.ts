/** The forms a sheet is written in, by the ending of the file. */
export const sheetFiles = {
  pdf: 'application/pdf',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv;charset=utf-8',
  md: 'text/markdown;charset=utf-8',
  json: 'application/json',
} as const

/** One of the forms. */
export type SheetFile = keyof typeof sheetFiles

/** Whether something is the ending of one of the forms. */
export function isSheetFile(ending: string): ending is SheetFile {
  return Object.hasOwn(sheetFiles, ending)
}
