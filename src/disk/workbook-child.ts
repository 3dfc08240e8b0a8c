import { Readable } from 'node:stream'
import ExcelJS from 'exceljs'
import Papa from 'papaparse'
import { unguarded } from '../core/sheets/edit/form'
import type { TypedLine } from '../core/sheets/edit/take'
import { ok, refuse, type Result } from '../core/result'
import { workbookLimits, type ReadWorkbook } from './workbook'

/** Reads a workbook or a CSV from its input, and says as JSON what stands on the page to be changed. */
async function main(name: string): Promise<void> {
  const parts: Buffer[] = []
  for await (const part of process.stdin) parts.push(part as Buffer)
  const bytes = Buffer.concat(parts)
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b
  const read = isZip ? await fromWorkbook(bytes, name) : fromCsv(bytes, name)
  process.stdout.write(JSON.stringify(read))
}

type Texts = readonly (string | null)[]

/** Gathers the lines of a page below the line that names its columns. */
class Page {
  readonly lines: TypedLine[] = []
  private columns: ReadonlyMap<string, number> | null = null
  private looked = 0

  constructor(private readonly name: string) {}

  get isFound(): boolean {
    return this.columns !== null
  }

  /** Takes a line; `null` for a cell with a formula. */
  take(number: number, texts: Texts): void {
    if (this.columns === null) {
      if (this.looked++ > 30) return
      const named = new Map(texts.map((text, i) => [(text ?? '').trim().toLowerCase(), i]))
      if (named.has('row') && named.has('value')) this.columns = named
      return
    }
    const at = (column: string): string | null | undefined => {
      const i = this.columns?.get(column)
      return i === undefined ? undefined : (texts[i] ?? (i < texts.length && texts[i] === null ? null : ''))
    }
    const [row, value, was, why] = ['row', 'value', 'was', 'why'].map(at)
    if ((row ?? '') === '' && (value ?? '') === '' && (why ?? '') === '') return
    const isFormula = [row, value, why].includes(null)
    this.lines.push({
      at: `${this.name}, line ${number}`,
      row: (row ?? '').trim(),
      was: was === undefined || was === null ? null : unguarded(was),
      value: value === null || value === undefined ? '' : unguarded(value),
      why: why === null || why === undefined ? null : unguarded(why),
      ...(isFormula ? { problem: 'A formula stands there; write the value itself.' } : {}),
    })
  }
}

async function fromWorkbook(bytes: Buffer, name: string): Promise<Result<ReadWorkbook>> {
  const reader = new ExcelJS.stream.xlsx.WorkbookReader(Readable.from([bytes]), {
    worksheets: 'emit',
    sharedStrings: 'cache',
    hyperlinks: 'ignore',
    styles: 'ignore',
    entries: 'ignore',
  })
  const pages: Page[] = []
  let count = 0
  try {
    for await (const sheet of reader) {
      const { name: title, state } = sheet as unknown as { name?: string; state?: string }
      const page = new Page(title ?? `Page ${pages.length + 1}`)
      pages.push(page)
      for await (const row of sheet) {
        if (++count > workbookLimits.lines * 3) return tooMany(name)
        if (state === 'hidden' || state === 'veryHidden') continue
        page.take(row.number, textsOf(row))
        if (page.lines.length > workbookLimits.lines) return tooMany(name)
      }
    }
  } catch {
    return refuse('damaged', 'The workbook is damaged: a page of it cannot be read.', name)
  }
  return gathered(pages, name)
}

function textsOf(row: ExcelJS.Row): Texts {
  const texts: (string | null)[] = []
  row.eachCell({ includeEmpty: true }, (cell, column) => {
    texts[column - 1] = textOf(cell.value)
  })
  return Array.from(texts, (text) => (text === undefined ? '' : text))
}

/** A cell as text; null for a formula and for what a program for tables calls an error. */
function textOf(value: ExcelJS.CellValue): string | null {
  if (value === null || value === undefined) return ''
  if (typeof value === 'string') return value
  if (typeof value === 'number') return String(value)
  if (typeof value === 'boolean') return value ? 'on' : 'off'
  if (value instanceof Date) return value.toISOString()
  if ('richText' in value) return value.richText.map(({ text }) => text).join('')
  if ('text' in value) return textOf(value.text)
  return null
}

function fromCsv(bytes: Buffer, name: string): Result<ReadWorkbook> {
  const text = decoded(bytes)
  if (text === null) return refuse('encoding', 'The text cannot be read: save it as UTF-8.', name)
  const page = new Page('CSV')
  let count = 0
  let tooLong = false
  Papa.parse<string[]>(text.value, {
    skipEmptyLines: true,
    step({ data }, parser) {
      count++
      page.take(count, data)
      if (page.lines.length > workbookLimits.lines) {
        tooLong = true
        parser.abort()
      }
    },
  })
  if (tooLong) return tooMany(name)
  const read = gathered([page], name)
  return read.ok ? ok({ ...read.value, notes: [...text.notes, ...read.value.notes] }) : read
}

/** UTF-8, UTF-16 by its mark, else the old Western encoding that programs for tables still write. */
function decoded(bytes: Buffer): { value: string; notes: string[] } | null {
  const marks = [bytes[0], bytes[1]]
  try {
    if (marks[0] === 0xff && marks[1] === 0xfe)
      return { value: new TextDecoder('utf-16le', { fatal: true }).decode(bytes), notes: [] }
    return { value: new TextDecoder('utf-8', { fatal: true }).decode(bytes), notes: [] }
  } catch {
    if (bytes.includes(0)) return null
    return {
      value: new TextDecoder('windows-1252').decode(bytes),
      notes: ['It is not UTF-8; it is read in the old Western encoding. Look at names with accents.'],
    }
  }
}

function gathered(pages: readonly Page[], name: string): Result<ReadWorkbook> {
  const found = pages.filter(({ isFound }) => isFound)
  if (found.length === 0)
    return refuse(
      'no-columns',
      'No page has the columns Row and Value: they say where each value belongs. Was the page Edit deleted?',
      name,
    )
  return ok({ lines: found.flatMap(({ lines }) => lines), notes: [] })
}

function tooMany(name: string): Result<never> {
  return refuse(
    'too-large',
    `It has more than ${workbookLimits.lines} lines; no plan has so many rows.`,
    name,
  )
}

void main(process.argv[2] ?? 'the file')
