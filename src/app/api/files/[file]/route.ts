import { binFile, loadFile, tagFile } from '@/server/files'
import { attachment, handled, readOrder, refusalResponse } from '@/server/requests'

/** A file of the shelf, byte-exact. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const file = await loadFile((await params).file)
  if (!file.ok) return refusalResponse(file.refusal)
  return attachment(file.value.name, file.value.bytes)
})

/** What is put beside a file: `{tags: […]}`; or `{bin: true}` puts it into the bin, `{bin: false}` back onto the shelf. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const { file } = await params
  const order = await readOrder(request, 5000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { tags, bin } = order.value
  const done = typeof bin === 'boolean' ? await binFile(file, bin) : await tagFile(file, tags)
  return done.ok ? Response.json({ kind: 'done' }) : refusalResponse(done.refusal)
})
