import type { BodyModel } from '../model/types'
import { isSamePath, placeOf, plainPath } from './path'

/** A file on a card, as it lies there. */
export interface CardEntry {
  /** From the root of the card, with `/` between its parts. */
  readonly path: string
  readonly bytes: number
  /** When it was written, by the clock of what wrote it, in milliseconds since 1970; null where that is not known. */
  readonly savedAt: number | null
}

/** A folder in which configuration files lie: of a model, or as the owner says of a body. */
export interface KnownFolder {
  readonly folder: string
  readonly modelId: string
  /** Whose folder it is, in words. */
  readonly of: string
}

/** A known folder on a card, with all that lies in it. */
export interface FolderSeen extends KnownFolder {
  readonly files: readonly CardEntry[]
}

/** A folder that is nothing known: shown as it is, with the first of its files. */
export interface OtherFolder {
  /** Empty for the root of the card. */
  readonly folder: string
  readonly count: number
  readonly bytes: number
  readonly some: readonly CardEntry[]
}

/** What lies on a card. */
export interface CardSeen {
  readonly known: readonly FolderSeen[]
  readonly other: readonly OtherFolder[]
  /** Entries that are left out, each with the reason. */
  readonly leftOut: readonly { readonly path: string; readonly because: string }[]
  readonly count: number
  readonly bytes: number
}

/** More files of one card are not looked at. */
export const mostEntries = 20_000

/** So many files of an unknown folder are shown. */
const shownOfOther = 12

/** Folders of the configuration files of models; what an owner says of a body comes before what its model says. */
export function knownFolders(
  models: readonly BodyModel[],
  bodies: readonly { readonly name: string; readonly model: string | null; readonly folder: string | null }[],
): KnownFolder[] {
  const own = bodies.flatMap(({ name, model, folder }) =>
    folder === null || model === null ? [] : [{ folder, modelId: model, of: name }],
  )
  const all = [
    ...own,
    ...models.map(({ id, maker, name, cardFile }) => ({
      ...{ folder: cardFile.folder, modelId: id },
      of: `${maker} ${name}`,
    })),
  ]
  return all.filter((one, i) => all.findIndex(({ folder }) => isSamePath(folder, one.folder)) === i)
}

/**
 * Reads what lies on a card: the folders that are known, by name, whatever the capitals; all others as they are, by folder.
 * Paths that climb out or cannot be kept are left out and named; all others stay as they lie there, by which they are read.
 * Linear in the entries.
 */
export function seeCard(folders: readonly KnownFolder[], entries: readonly CardEntry[]): CardSeen {
  const leftOut: { path: string; because: string }[] = []
  const known = new Map<KnownFolder, CardEntry[]>()
  const other = new Map<string, { count: number; bytes: number; some: CardEntry[] }>()
  const byFolder = new Map(folders.map((one) => [one.folder.toLowerCase(), one]))
  let bytes = 0
  for (const entry of entries) {
    const path = plainPath(entry.path)
    if (!path.ok) {
      leftOut.push({ path: entry.path.slice(0, 120), because: path.refusal.message })
      continue
    }
    bytes += entry.bytes
    const { folder } = placeOf(path.value)
    const mine = byFolder.get(folder.toLowerCase())
    if (mine) {
      const files = known.get(mine)
      if (files) files.push(entry)
      else known.set(mine, [entry])
      continue
    }
    const there = other.get(folder) ?? { count: 0, bytes: 0, some: [] }
    there.count++
    there.bytes += entry.bytes
    if (there.some.length < shownOfOther) there.some.push(entry)
    other.set(folder, there)
  }
  return {
    known: [...known].map(([folder, files]) => ({ ...folder, files })),
    other: [...other]
      .map(([folder, one]) => ({ folder, ...one }))
      .sort((a, b) => (a.folder < b.folder ? -1 : 1)),
    leftOut,
    count: entries.length - leftOut.length,
    bytes,
  }
}
