import { nearestTo } from '@/server/opaque'
import { handled, refusalResponse } from '@/server/requests'

/** The files on the shelf that a file is nearest to, with the bytes in which they differ. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ file: string }> }) => {
  const near = await nearestTo((await params).file)
  return near.ok ? Response.json({ near: near.value }) : refusalResponse(near.refusal)
})
