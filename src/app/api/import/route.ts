import { Readable } from 'node:stream'
import type { ReadableStream as NodeStream } from 'node:stream/web'
import { importAll } from '@/server/export'
import { handledHere } from '@/server/door/on-this-machine'
import { refusalResponse } from '@/server/requests'

/** Larger than any export is refused by its length alone. */
const mostBytes = 4_000_000_000

/** Puts an export into an empty installation: its bytes as the body. Only from this machine. */
export const POST = handledHere(async (request: Request) => {
  const { body, headers } = request
  if (Number(headers.get('content-length') ?? 0) > mostBytes || body === null)
    return refusalResponse({
      code: 'too-large',
      message: 'It is larger than an export can be, or empty.',
      where: 'request',
    })
  const done = await importAll(Readable.fromWeb(body as NodeStream), 'the export')
  return done.ok ? Response.json({ kind: 'imported', ...done.value }) : refusalResponse(done.refusal)
})
