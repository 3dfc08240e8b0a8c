import ExcelJS from 'exceljs'
import type { EditableLine } from '@/core/sheets/edit/editable'
import { editColumns, editSheet, guarded } from '@/core/sheets/edit/form'
import { signed } from '@/core/sheets/blocks'
import type { Block, Cell, Sheet, Table } from '@/core/sheets/types'

const head = { bold: true } as const

/**
 * A sheet as a workbook: what it is of; a worksheet for each of its tables, to be read; one with every row of the plan
 * that stands on it, to be changed and sent back, with its choices to pick from.
 */
export async function writeWorkbook(sheet: Sheet, lines: readonly EditableLine[]): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  book.title = sheet.title
  book.creator = 'Salt Shelf'
  about(book, sheet, lines.length > 0)
  if (lines.length > 0) editable(book, lines)
  const names = new Set(['about', 'choices', editSheet.toLowerCase()])
  for (const block of sheet.blocks) if (block.kind === 'table') table(book, block, nameFor(block.name, names))
  return new Uint8Array(await book.xlsx.writeBuffer())
}

function about(book: ExcelJS.Workbook, sheet: Sheet, isEditable: boolean): void {
  const page = book.addWorksheet('About')
  page.columns = [{ width: 18 }, { width: 90 }]
  const rows: [string, string][] = [
    ['Sheet', sheet.title],
    ['Plan', guarded(sheet.plan)],
    ['Camera', sheet.model],
    ['Body', guarded(sheet.body)],
    ['Stand', sheet.stand],
    ...(isEditable
      ? ([
          [
            'To send back',
            `Change what stands under Value or Why on the page ${editSheet}, and leave the column Row as it is. An emptied value goes back to as delivered.`,
          ],
        ] as [string, string][])
      : []),
    ...sheet.blocks.flatMap(wordsOf),
  ]
  for (const row of rows.filter(([, text]) => text !== '')) page.addRow(row)
  page.getColumn(1).font = head
  page.getColumn(2).alignment = { wrapText: true, vertical: 'top' }
}

function wordsOf(block: Block): [string, string][] {
  return block.kind === 'words' ? block.lines.map((line) => ['', guarded(line)]) : []
}

/** A name for a worksheet: 31 letters at most, none of those that are not allowed, and no other has it. */
function nameFor(name: string, taken: Set<string>): string {
  const plain =
    name
      .replace(/[\\/?*[\]:]/g, ' ')
      .replace(/^'|'$/g, '')
      .slice(0, 31)
      .trim() || 'Table'
  const tries = [plain, ...Array.from({ length: 99 }, (_, i) => `${plain.slice(0, 27)} ${i + 2}`)]
  const free = tries.find((one) => !taken.has(one.toLowerCase())) ?? plain
  taken.add(free.toLowerCase())
  return free
}

function table(book: ExcelJS.Workbook, { columns, lines }: Table, name: string): void {
  const page = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] })
  page.columns = columns.map((title, i) => ({
    header: title,
    width: Math.min(
      60,
      Math.max(10, title.length, ...lines.map(({ cells }) => cells[i]?.text.length ?? 0)) + 2,
    ),
  }))
  page.getRow(1).font = head
  for (const { cells } of lines) {
    const row = page.addRow(columns.map((_, i) => typedCell(cells[i])))
    row.alignment = { wrapText: true, vertical: 'top' }
    cells.forEach((cell, i) => {
      if (cell.isStrong) row.getCell(i + 1).font = head
    })
  }
}

/** A number as a number, what is on or off as that, all else as text. */
function typedCell(cell: Cell | undefined): string | number | boolean {
  if (!cell) return ''
  if (typeof cell.value === 'number' && Number(cell.text) === cell.value) return cell.value
  return cell.row === undefined ? guarded(signed(cell)) : signed(cell)
}

function editable(book: ExcelJS.Workbook, lines: readonly EditableLine[]): void {
  const page = book.addWorksheet(editSheet, { views: [{ state: 'frozen', ySplit: 1, xSplit: 2 }] })
  page.columns = editColumns.map(({ name, width }) => ({ header: name, width }))
  page.getRow(1).font = head
  const lists = choiceLists(book, lines)
  lines.forEach((line) => {
    const row = page.addRow(editColumns.map(({ of }) => of(line)))
    row.alignment = { wrapText: true, vertical: 'top' }
    const list = lists.get(line.choices.join('\n'))
    const at = editColumns.findIndex(({ name }) => name === 'Value') + 1
    if (list !== undefined)
      row.getCell(at).dataValidation = {
        type: 'list',
        allowBlank: true,
        formulae: [list],
        showErrorMessage: false,
      }
  })
}

/** Every list of choices in a column of its own, by its words; the address of each. */
function choiceLists(book: ExcelJS.Workbook, lines: readonly EditableLine[]): ReadonlyMap<string, string> {
  const page = book.addWorksheet('Choices')
  const lists = new Map<string, string>()
  for (const { choices } of lines) {
    const key = choices.join('\n')
    if (choices.length === 0 || lists.has(key)) continue
    const column = page.getColumn(lists.size + 1)
    column.values = [...choices]
    column.width = 24
    lists.set(key, `Choices!$${column.letter}$1:$${column.letter}$${choices.length}`)
  }
  return lists
}
