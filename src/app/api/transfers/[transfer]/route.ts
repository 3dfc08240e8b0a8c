import { handled, readOrder, refusalResponse } from '@/server/requests'
import { askTransfer } from '@/server/transfers'
import { tickHandWork } from '@/server/waiting'

/** What is asked of a transfer: `{ask: "pause" | "stop"}`, or a line of hand work ticked: `{setting, done}`. */
export const POST = handled(
  async (request: Request, { params }: { params: Promise<{ transfer: string }> }) => {
    const { transfer } = await params
    const order = await readOrder(request)
    if (!order.ok) return refusalResponse(order.refusal)
    const { ask, setting, done } = order.value
    if (ask === 'pause' || ask === 'stop') {
      const asked = await askTransfer(transfer, ask)
      return asked.ok ? Response.json({ kind: 'asked' }) : refusalResponse(asked.refusal)
    }
    if (typeof setting === 'string' && typeof done === 'boolean') {
      const ticked = await tickHandWork(transfer, setting, done)
      return ticked.ok ? Response.json({ handWork: ticked.value }) : refusalResponse(ticked.refusal)
    }
    const message = 'A transfer is asked to pause or to stop, or a line of its hand work is ticked.'
    return refusalResponse({ code: 'shape', message, where: 'request' })
  },
)
