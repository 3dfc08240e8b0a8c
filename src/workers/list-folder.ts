import { mostEntries, type CardEntry } from '@/core/cards/card'
import { ok, refuse, type Result } from '@/core/result'

/** So often it is told how far a listing is, in milliseconds: what is told is drawn. */
const tellEvery = 150

/** Folders within folders are followed so deep. */
export const deepest = 12

/** Lists all that lies below a folder, in turns: whatever else runs here goes on meanwhile, and what was found so far is told. */
export function listFolder(
  root: FileSystemDirectoryHandle,
  onMore?: (entries: readonly CardEntry[]) => void,
): Promise<Result<CardEntry[]>> {
  return tried(root.name, () => listed(root, onMore))
}

async function listed(
  root: FileSystemDirectoryHandle,
  onMore?: (entries: readonly CardEntry[]) => void,
): Promise<Result<CardEntry[]>> {
  const entries: CardEntry[] = []
  let [told, turned] = [performance.now(), performance.now()]
  const walk = async (folder: FileSystemDirectoryHandle, at: string, depth: number): Promise<boolean> => {
    for await (const handle of folder.values()) {
      const path = at === '' ? handle.name : `${at}/${handle.name}`
      if (handle.kind === 'directory') {
        if (depth < deepest && !(await walk(handle, path, depth + 1))) return false
        continue
      }
      if (entries.length >= mostEntries) return false
      const file = await handle.getFile()
      entries.push({ path, bytes: file.size, savedAt: file.lastModified })
      // The page goes on meanwhile: others have their turn, and how far it is, is told now and then.
      if (performance.now() - turned < 6) continue
      if (performance.now() - told > tellEvery) {
        onMore?.(entries)
        told = performance.now()
      }
      await new Promise((resolve) => setTimeout(resolve))
      turned = performance.now()
    }
    return true
  }
  return (await walk(root, '', 0)) ? ok(entries) : tooMany()
}

/** The refusal of a card with more files than are listed. */
export function tooMany(): Result<never> {
  return refuse('too-many', `It has more than ${mostEntries} files: open a folder within it.`, 'the card')
}

/** Does something on a card; every failure of it has its words. */
export async function tried<T>(where: string, work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    return troubleOf(error, where)
  }
}

const troubles: Readonly<Record<string, readonly [code: string, message: string]>> = {
  NotAllowedError: ['not-allowed', 'This page may not reach the card any more: open it again, and let it.'],
  SecurityError: ['not-allowed', 'The browser does not let this page in there: choose the card itself.'],
  NotFoundError: ['gone', 'It is not there any more: was the card taken out? Nothing is believed of it.'],
  NoModificationAllowedError: [
    'locked',
    'The card is locked, or something else writes to it. Slide its lock back.',
  ],
  QuotaExceededError: ['full', 'There is no room for it on the card. What was there is as it was.'],
  InvalidStateError: ['gone', 'The card changed meanwhile: was it taken out? Open it again.'],
  NotReadableError: ['unreadable', 'It cannot be read: was the card taken out?'],
  TypeMismatchError: ['shape', 'A folder lies where a file should, or a file where a folder should.'],
}

/** What a failure of a card is called. */
export function troubleOf(error: unknown, where: string): Result<never> {
  const name = (error as Partial<DOMException> | null)?.name ?? ''
  const [code, message] = troubles[name] ?? [
    'unreadable',
    `The card cannot be reached${name === '' ? '' : ` (${name})`}. Open it again.`,
  ]
  return refuse(code, message, where)
}
