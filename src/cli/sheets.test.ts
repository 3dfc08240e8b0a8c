import ExcelJS from 'exceljs'
import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { parsePlan } from '@/core/plan/plan'
import { must } from '@/core/result'
import { editSheet } from '@/core/sheets/edit/form'
import { takeLines } from '@/core/sheets/edit/take'
import { sheetForm, type SheetKind } from '@/core/sheets/catalogue'
import { composeSheet } from '@/core/sheets/sheet'
import { readFonts } from '@/disk/fonts'
import { readWorkbook, workbookLimits } from '@/disk/workbook'
import { isSheetFile, type SheetFile } from '@/writers/forms'
import { writeSheet } from '@/writers/write'

const plan = must(
  parsePlan(heron, {
    title: '=Night & <rehearsals>',
    'base/exposure.aperture@stills': 'f/4',
    'base/exposure.compensation@stills': '+0.7 EV',
    'why/base/exposure.aperture@stills': '@two players deep',
    'bank/dial/ebb/side': 'motion',
    'bank/dial/ebb/purpose': '+interviews',
  }),
)

function written(form: SheetFile, kind: SheetKind = 'full'): Promise<Uint8Array> {
  const found = sheetForm(kind)
  if (!found) throw new Error(kind)
  const order = { model: heron, plan, lenses, body: null, stand: 'Draft', isDraft: true }
  const sheet = composeSheet(found, order)
  return writeSheet(form, [sheet], { model: heron, plan, tag: null, paper: 'a4' }, readFonts)
}

const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)

describe('a sheet written', () => {
  it('as a PDF has its pages, its own fonts, a title and a language', async () => {
    const pdf = Buffer.from(await written('pdf', 'banks')).toString('latin1')
    expect(pdf).toMatch(/^%PDF-/)
    expect(pdf.match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(0)
    expect(pdf).toMatch(/\+Sheet-text/)
    expect(pdf).not.toMatch(/Helvetica/)
    expect(pdf).toContain('/Lang (en)')
  })

  it('as Markdown lets no text of its owner break a table or become a heading', async () => {
    const text = textOf(await written('md'))
    expect(text).toContain('=Night & \\<rehearsals\\>')
    for (const line of text.split('\n').filter((one) => one.startsWith('| ')))
      expect(line.endsWith(' |')).toBe(true)
  })

  it('as JSON is the sheet itself, without the drawing', async () => {
    const sheet = JSON.parse(textOf(await written('json', 'banks'))) as { kind: string; blocks: unknown[] }
    expect(sheet.kind).toBe('banks')
    expect(textOf(await written('json', 'pocket'))).not.toContain('strokes')
    expect(isSheetFile('doc')).toBe(false)
  })

  it('as a workbook has typed cells, choices to pick from, frozen heads, and guards free text only', async () => {
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await written('xlsx')) as unknown as ExcelJS.Buffer)
    const edit = book.getWorksheet(editSheet)
    expect(edit?.views[0]).toMatchObject({ state: 'frozen', ySplit: 1 })
    const names = edit?.getRow(1).values as string[]
    const lines: Record<string, ExcelJS.Row> = {}
    edit?.eachRow((row) => (lines[row.getCell(names.indexOf('Row')).text] = row))
    const cell = (row: string, column: string) => lines[row]?.getCell(names.indexOf(column))
    expect(cell('base/exposure.compensation@stills', 'Value')?.value).toBe('+0.7 EV')
    expect(cell('base/exposure.aperture@stills', 'Why')?.value).toBe("'@two players deep")
    expect(cell('base/exposure.aperture@stills', 'Value')?.dataValidation).toMatchObject({ type: 'list' })
    expect(book.getWorksheet('Choices')?.getColumn(1).values.length).toBeGreaterThan(1)
    expect(JSON.stringify(book.getWorksheet('About')?.getSheetValues())).toContain("'=Night")
  })
})

describe('a workbook or CSV read back', () => {
  it.each(['xlsx', 'csv'] as const)('%s: is the plan as it was, row by row', async (form) => {
    const read = must(await readWorkbook(await written(form), 'back'))
    const lines = takeLines(heron, plan, read.lines)
    expect(lines.length).toBeGreaterThan(300)
    expect(lines.filter(({ fate }) => fate !== 'unchanged')).toEqual([])
  })

  it('reads semicolons, decimal commas, columns moved and lines sorted, UTF-16 and the old Western encoding', async () => {
    const rows = 'Why;Value;Row\r\n"Für Zoë";f/5,6;base/exposure.aperture@stills\r\n'
    const utf16 = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(rows, 'utf16le')])
    for (const bytes of [Buffer.from(rows), utf16, Buffer.from(rows, 'latin1')]) {
      const read = must(await readWorkbook(new Uint8Array(bytes), 'it.csv'))
      const [line] = takeLines(heron, plan, read.lines)
      expect(line).toMatchObject({
        fate: 'taken',
        sets: {
          'base/exposure.aperture@stills': 'f/5.6',
          'why/base/exposure.aperture@stills': 'Für Zoë',
        },
      })
    }
  })

  it('takes no formula, no hidden page and no number for another thing, and says so', async () => {
    const book = new ExcelJS.Workbook()
    const page = book.addWorksheet('Whatever it is called')
    page.addRow(['Made by somebody'])
    page.addRow(['Value', 'Row'])
    page.addRow([{ formula: '1+1', result: 'f/2' }, 'base/exposure.aperture@stills'])
    page.addRow([800, 'base/exposure.iso@stills'])
    page.addRow([true, 'base/exposure.isoAuto@stills'])
    page.mergeCells('A6:B6')
    const hidden = book.addWorksheet('Hidden', { state: 'hidden' })
    hidden.addRow(['Value', 'Row'])
    hidden.addRow(['f/16', 'base/exposure.aperture@stills'])
    const bytes = new Uint8Array(await book.xlsx.writeBuffer())
    const lines = takeLines(heron, plan, must(await readWorkbook(bytes, 'it.xlsx')).lines)
    expect(lines.map(({ at, fate }) => `${at}: ${fate}`)).toEqual([
      'Whatever it is called, line 3: refused',
      'Whatever it is called, line 4: taken',
      'Whatever it is called, line 5: taken',
    ])
    expect(lines[0]?.because).toContain('formula')
  })

  const workbook = strToU8('<workbook/>')
  it.each([
    ['nothing', new Uint8Array(), 'The file is empty.'],
    ['a picture', strToU8('%PDF-1.7'), 'neither a workbook'],
    ['an old workbook', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]), 'neither a workbook'],
    ['a cut workbook', zipSync({ 'xl/workbook.xml': workbook }).slice(0, 40), 'damaged'],
    ['a ZIP of something else', zipSync({ 'readme.txt': strToU8('hello') }), 'not a workbook'],
    ['a workbook without its pages', zipSync({ 'xl/workbook.xml': workbook }), 'columns Row and Value'],
    ['a table of something else', strToU8('Name,Age\nPunch,200\n'), 'columns Row and Value'],
    ['bytes that are no text', new Uint8Array([0x41, 0x00, 0xc3, 0x28, 0x00]), 'cannot be read'],
    [
      'a bomb',
      zipSync({ 'xl/workbook.xml': workbook, 'xl/worksheets/sheet1.xml': new Uint8Array(130_000_000) }),
      'unpacks to more than 120 MB',
    ],
    [
      'too many parts',
      zipSync(Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`p${i}`, new Uint8Array()]))),
      'more than 2000 parts',
    ],
    [
      'too many lines',
      strToU8(`Row,Value\n${'base/focus.lamp,on\n'.repeat(20_001)}`),
      'more than 20000 lines',
    ],
    ['too many bytes', new Uint8Array(workbookLimits.bytes + 1).fill(65), 'at most 20000000'],
  ])('refuses %s in words, in bounded time', async (_what, bytes, words) => {
    const start = performance.now()
    const read = await readWorkbook(bytes, 'it')
    expect(read.ok ? '' : read.refusal.message).toContain(words)
    expect(performance.now() - start).toBeLessThan(30_000)
  })

  it('says that macros are not run and links not followed', async () => {
    const bytes = zipSync({
      'xl/workbook.xml': workbook,
      'xl/vbaProject.bin': new Uint8Array(4),
      'xl/externalLinks/externalLink1.xml': new Uint8Array(4),
    })
    const read = await readWorkbook(bytes, 'it')
    expect(read.ok).toBe(false)
    const book = new ExcelJS.Workbook()
    book.addWorksheet('Edit').addRows([['Row', 'Value']])
    const { unzipSync } = await import('fflate')
    const parts = unzipSync(new Uint8Array(await book.xlsx.writeBuffer()))
    const more = zipSync({ ...parts, 'xl/vbaProject.bin': new Uint8Array(4) })
    expect(must(await readWorkbook(more, 'it')).notes).toEqual(['Macros in it are not run and not read.'])
  })
})
