import { endDevice } from '@/server/door/devices'
import { onThisMachine } from '@/server/door/on-this-machine'
import { handled, refusalResponse } from '@/server/requests'

/** Ends what a device was let in for. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ device: string }> }) => {
  const here = onThisMachine(request)
  if (!here.ok) return refusalResponse(here.refusal)
  const ended = await endDevice((await params).device, new Date())
  return ended.ok ? Response.json({ kind: 'ended', device: ended.value }) : refusalResponse(ended.refusal)
})
