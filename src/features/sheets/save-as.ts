import { sheetFiles, type SheetFile } from '@/writers/forms'

/** Gives bytes to the browser: a PDF is opened, from where it is printed; anything else is saved. */
export function saveAs(bytes: Uint8Array, form: SheetFile, name: string): void {
  const url = URL.createObjectURL(new Blob([bytes as BlobPart], { type: sheetFiles[form] }))
  const link = document.createElement('a')
  link.href = url
  if (form === 'pdf') link.target = '_blank'
  else link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.${form}`
  link.click()
  // A page that was opened goes on reading from it.
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
