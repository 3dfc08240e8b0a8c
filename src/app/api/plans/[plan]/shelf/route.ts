import { handled, readOrder, refusalResponse } from '@/server/requests'
import { actOnShelf, shelfActs } from '@/server/shelf-acts'

/** What is done to a plan on the shelf: `{act}` in, the id of the plan it is about out. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const act = shelfActs.find((one) => one === order.value.act)
  if (!act) {
    const message = `An act is one of ${shelfActs.join(', ')}.`
    return refusalResponse({ code: 'shape', message, where: 'act' })
  }
  const done = await actOnShelf((await params).plan, act)
  return done.ok ? Response.json({ kind: 'done', id: done.value }) : refusalResponse(done.refusal)
})
