import { ok, refuse, type Result } from '../result'
import { unkept } from '../text'

/** The longest path on a card, in characters. */
const longestPath = 240

/**
 * A folder or file on a card as it is written here: parts with `/` between them, from the card's own root. Backslashes are
 * taken for slashes, those at both ends go. Refuses what climbs out (`..`), what begins at a drive, an empty path, and
 * characters that cannot be kept.
 */
export function plainPath(given: string): Result<string> {
  const parts = given
    .normalize('NFC')
    .replaceAll('\\', '/')
    .split('/')
    .filter((part) => part !== '' && part !== '.')
  const path = parts.join('/')
  const wrong = (message: string) => refuse('path', message, given.slice(0, 80))
  if (parts.length === 0) return wrong('Name a folder or a file on the card.')
  if (path.length > longestPath) return wrong(`A path on a card has at most ${longestPath} characters.`)
  if (unkept.test(path) || path.includes('\n')) return wrong('This path has characters that cannot be kept.')
  if (parts.includes('..')) return wrong('This path climbs out of the card: it may have no “..” in it.')
  if (/^[a-z]:$/i.test(parts[0] ?? ''))
    return wrong('A path on a card begins at the card, not at a drive: leave its letter out.')
  return ok(path)
}

/** The folder of a path, empty for the root; and the name in it. */
export function placeOf(path: string): { readonly folder: string; readonly name: string } {
  const at = path.lastIndexOf('/')
  return { folder: path.slice(0, Math.max(0, at)), name: path.slice(at + 1) }
}

/** Whether two paths are one to a card: its file system tells capitals from small letters not at all. */
export function isSamePath(one: string, other: string): boolean {
  return one.normalize('NFC').toLowerCase() === other.normalize('NFC').toLowerCase()
}
