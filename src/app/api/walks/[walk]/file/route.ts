import { largestTaken } from '@/core/cards/taking'
import { fileToPut, offerFile } from '@/server/hand-carry'
import { attachment, handled, readBody, refusalResponse } from '@/server/requests'

/**
 * A file offered at an act of a walk: its bytes as the body and where it lay in `?path=`, or a file of the shelf by `?file=`. With
 * `?sure=1` what is to be looked at has been. Says what was seen, and the digest of what was taken in.
 */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ walk: string }> }) => {
  const { walk } = await params
  const asked = new URL(request.url).searchParams
  const fileId = asked.get('file')
  const body = await readBody(request, largestTaken + 1)
  if (!body.ok) return refusalResponse(body.refusal)
  const savedAt = Number(asked.get('savedAt') ?? NaN)
  const offered = await offerFile(walk, asked.get('act') ?? '', {
    ...{ bytes: fileId === null ? body.value : null, fileId },
    ...{ path: asked.get('path') ?? '', isSure: asked.get('sure') === '1' },
    savedAt: Number.isFinite(savedAt) && savedAt > 0 ? savedAt : null,
  })
  return offered.ok ? Response.json(offered.value) : refusalResponse(offered.refusal)
})

/** The file that is to be written at `?act=`, to be copied by hand. */
export const GET = handled(async (request: Request, { params }: { params: Promise<{ walk: string }> }) => {
  const { walk } = await params
  const file = await fileToPut(walk, new URL(request.url).searchParams.get('act') ?? '')
  return file.ok ? attachment(file.value.name, file.value.bytes) : refusalResponse(file.refusal)
})
