import { endDevice } from '@/server/door/devices'
import { handledHere } from '@/server/door/on-this-machine'
import { refusalResponse } from '@/server/requests'

interface At {
  readonly params: Promise<{ device: string }>
}

/** Ends what a device was let in for. */
export const POST = handledHere(async (_request: Request, { params }: At) => {
  const ended = await endDevice((await params).device, new Date())
  return ended.ok ? Response.json({ kind: 'ended', device: ended.value }) : refusalResponse(ended.refusal)
})
