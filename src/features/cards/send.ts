import type { Result } from '@/core/result'
import { placeOf } from '@/core/cards/path'
import { post } from '@/ui/ask'
import type { ReadFile } from './card-folder'

/** Sends a file to the shelf as it is, of whatever format; what came of it. */
export function sendAsItIs(
  path: string,
  { bytes, savedAt }: ReadFile,
  body: string,
): Promise<Result<{ readonly fileId: string; readonly known: boolean }>> {
  const asked = new URLSearchParams({ as: 'it-is', name: placeOf(path).name, path, savedAt: String(savedAt) })
  if (body !== '') asked.set('body', body)
  const silence = 'The server did not answer. Take the file once more: the same file is never kept twice.'
  return post(`/api/files?${asked.toString()}`, bytes, {}, silence)
}
