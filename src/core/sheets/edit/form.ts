import type { EditableLine } from './editable'

/** The page of a workbook on which a plan is changed. */
export const editSheet = 'Edit'

/** Its columns, in order: found by their names when it comes back, wherever they then stand. */
export const editColumns: readonly {
  readonly name: string
  readonly width: number
  readonly of: (line: EditableLine) => string
}[] = [
  { name: 'Subject', width: 20, of: ({ subject }) => guarded(subject) },
  { name: 'What', width: 44, of: ({ what }) => guarded(what) },
  { name: 'Value', width: 28, of: ({ value, isFree }) => (isFree ? guarded(value) : value) },
  { name: 'Why', width: 40, of: ({ why }) => guarded(why) },
  { name: 'Menu', width: 28, of: ({ menu }) => menu },
  { name: 'Was', width: 28, of: ({ value, isFree }) => (isFree ? guarded(value) : value) },
  { name: 'Row', width: 44, of: ({ row }) => row },
]

/** What a program for tables would take for a formula: guarded by a stroke before it, which `unguarded` takes off again. */
export function guarded(text: string): string {
  return /^['=+\-@\t\r]/.test(text) ? `'${text}` : text
}

/** The text as its owner wrote it. */
export function unguarded(text: string): string {
  return /^'['=+\-@\t\r]/.test(text) ? text.slice(1) : text
}
