import Papa from 'papaparse'
import type { EditableLine } from '@/core/sheets/edit/editable'
import { editColumns } from '@/core/sheets/edit/form'
import { signed } from '@/core/sheets/blocks'
import type { Block, Sheet, Table } from '@/core/sheets/types'

/** A sheet as Markdown: headings, tables, and plates as lists of their labels. */
export function writeMarkdown(sheet: Sheet): string {
  const about = [sheet.plan, sheet.model, sheet.body].filter((one) => one !== '').join(' · ')
  return `${[`# ${sheet.title}`, `${escaped(about)}  \n${escaped(sheet.stand)}`, ...sheet.blocks.map(markdownOf)].join('\n\n')}\n`
}

function markdownOf(block: Block): string {
  switch (block.kind) {
    case 'heading':
      return `## ${escaped(block.text)}`
    case 'words':
      return block.lines.map((line) => `- ${escaped(line)}`).join('\n')
    case 'table':
      return markdownTable(block)
    case 'plate':
      return [
        `**${escaped(block.face.name)}${block.side === null ? '' : `, ${block.side}`}**`,
        '',
        ...block.labels.map(
          ({ control, lines }) =>
            `- ${escaped(control.name)}: ${lines
              .map(({ gesture, text }) => escaped(lines.length > 1 ? `${gesture} ${text}` : text))
              .join('; ')}`,
        ),
      ].join('\n')
  }
}

function markdownTable({ columns, lines }: Table): string {
  const row = (texts: readonly string[]) => `| ${texts.map(escaped).join(' | ')} |`
  return [
    row(columns),
    `| ${columns.map(() => '---').join(' | ')} |`,
    ...lines.map(({ cells }) => row(columns.map((_, i) => signed(cells[i])))),
  ].join('\n')
}

function escaped(text: string): string {
  return text.replace(/\s+/g, ' ').replace(/[\\|*_`<>[\]#]/g, '\\$&')
}

/** The rows of the plan on a sheet as CSV, in the columns of a workbook's page to be changed and sent back. */
export function writeCsv(lines: readonly EditableLine[]): string {
  const rows = lines.map((line) => editColumns.map(({ of }) => of(line)))
  return `${Papa.unparse([editColumns.map(({ name }) => name), ...rows], { newline: '\r\n' })}\r\n`
}

/** A sheet as JSON: what the other forms are written from, without the drawing. */
export function writeJson(sheet: Sheet): string {
  return `${JSON.stringify(
    sheet,
    (key, value: unknown) => (key === 'strokes' || key === 'gestures' || key === 'reach' ? undefined : value),
    2,
  )}\n`
}
