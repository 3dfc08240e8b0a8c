import { loadFile } from '@/server/files'
import { handled, refusalResponse } from '@/server/requests'

/** A file of the shelf, byte-exact. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const file = await loadFile((await params).file)
  if (!file.ok) return refusalResponse(file.refusal)
  const name = file.value.name.replace(/[^A-Za-z0-9._-]+/g, '-')
  return new Response(new Uint8Array(file.value.bytes), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename="${name}"`,
    },
  })
})
