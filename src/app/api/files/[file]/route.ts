import { binFile, loadFile, tagFile } from '@/server/files'
import { describeFile, readFileAbout } from '@/server/opaque'
import { attachment, handled, readOrder, refusalResponse } from '@/server/requests'

/** A file of the shelf, byte-exact. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const file = await loadFile((await params).file)
  if (!file.ok) return refusalResponse(file.refusal)
  return attachment(file.value.name, file.value.bytes)
})

/** What is put beside a file: `{tags: […]}`; `{about: {body, firmware, savedAt, holds}}` of one that is not read here; or `{bin: true}` puts it into the bin, `{bin: false}` back onto the shelf. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const { file } = await params
  const order = await readOrder(request, 5000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { tags, bin, about } = order.value
  const done =
    about !== undefined
      ? await aboutFile(file, about)
      : typeof bin === 'boolean'
        ? await binFile(file, bin)
        : await tagFile(file, tags)
  return done.ok ? Response.json({ kind: 'done' }) : refusalResponse(done.refusal)
})

async function aboutFile(id: string, given: unknown) {
  const about = readFileAbout(given)
  return about.ok ? describeFile(id, about.value) : about
}
