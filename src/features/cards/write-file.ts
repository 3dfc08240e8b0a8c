import { refuse, type Result } from '@/core/result'
import { digestOf, type CardFolder } from './card-folder'
import { sendAsItIs } from './send'

/** What is to be written to a card. */
export interface Writing {
  readonly fileId: string
  readonly digest: string
  readonly path: string
  /** What lies there, and is taken in first; null where nothing does. */
  readonly over: string | null
  /** The body whose card it is. */
  readonly body: string
}

/**
 * Writes a file of the shelf to a card: what lies there is taken in first, the file written, read back, and held against the
 * shelf's digest. Where anything fails, the card is said to be as it is, never as it should be.
 */
export async function writeToCard(folder: CardFolder, writing: Writing): Promise<Result<true>> {
  const { fileId, digest, path, over, body } = writing
  if (over !== null) {
    const old = await folder.read(over)
    if (!old.ok) return old
    const kept = await sendAsItIs(over, old.value, body)
    if (!kept.ok) return kept
  }
  const answer = await fetch(`/api/files/${fileId}`).catch(() => null)
  if (!answer?.ok) return refuse('unreachable', 'The server did not give the file. Try again.', path)
  const bytes = new Uint8Array(await answer.arrayBuffer())
  if ((await digestOf(bytes)) !== digest)
    return refuse('damaged', 'What the server gave is not the file: try again.', path)
  // Writing reads back what is on the card then, and holds it against these very bytes.
  return folder.write(path, bytes)
}
