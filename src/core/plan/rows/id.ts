import type { RowId } from '../../sync/step'

/** A row's id: its kind's head, then its parts, with strokes between. Only the modules of this folder make one. */
export function rowId(text: string): RowId {
  return text as RowId
}

/** Whether an id begins with this head. */
export function hasHead(id: string, head: string): id is RowId {
  return id.length > head.length && id.charCodeAt(head.length) === 47 && id.startsWith(head)
}

/** What stands behind an id's head; null where it has another. */
export function behind(id: string, head: string): string | null {
  return hasHead(id, head) ? id.slice(head.length + 1) : null
}

/** A name of the owner's own: lower-case words joined by `-`. */
export function isOwnName(text: string | undefined): text is string {
  return text !== undefined && /^[a-z][a-z0-9-]{0,40}$/.test(text)
}

/** Whether something can be the id of a lens. */
export function isLensId(text: string | undefined): text is string {
  return text !== undefined && /^[a-z][a-z0-9-]{0,60}$/.test(text)
}

/** A whole number from 1, written plainly, up to `most`; else null. */
export function counted(text: string | undefined, most: number): number | null {
  const number = /^[1-9]\d{0,2}$/.test(text ?? '') ? Number(text) : 0
  return number >= 1 && number <= most ? number : null
}
