import { ok, type Refusal, type Result } from '@/core/result'
import { placeOf } from '@/core/cards/path'
import type { ReadFile } from './card-folder'

/** Sends a file to the shelf as it is, of whatever format; what came of it. */
export async function sendAsItIs(
  path: string,
  { bytes, savedAt }: ReadFile,
  body: string,
): Promise<Result<{ readonly fileId: string; readonly known: boolean }>> {
  const asked = new URLSearchParams({ as: 'it-is', name: placeOf(path).name, path, savedAt: String(savedAt) })
  if (body !== '') asked.set('body', body)
  try {
    const answer = await fetch(`/api/files?${asked.toString()}`, { method: 'POST', body: bytes })
    const said = (await answer.json()) as { fileId: string; known: boolean; refusal?: Refusal }
    if (answer.ok) return ok({ fileId: said.fileId, known: said.known })
    return { ok: false, refusal: said.refusal ?? { code: 'fault', message: 'It was not kept.' } }
  } catch {
    const message = 'The server did not answer. Take the file once more: the same file is never kept twice.'
    return { ok: false, refusal: { code: 'unreachable', message } }
  }
}
