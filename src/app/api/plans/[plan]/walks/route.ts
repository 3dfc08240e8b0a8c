import { handled, readOrder, refusalResponse } from '@/server/requests'
import { beginWalk, listWalks } from '@/server/walks'

interface At {
  readonly params: Promise<{ plan: string }>
}

/** Begins a walk, or goes on with the one that is open: its id. */
export const POST = handled(async (request: Request, { params }: At) => {
  const { plan } = await params
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const { procedure, body = '', start = 'delivered', place = '' } = order.value
  const begun = await beginWalk(plan, {
    ...{ procedure: String(procedure), body: String(body) },
    ...{ start: String(start), place: String(place) },
  })
  return begun.ok ? Response.json({ walk: begun.value }) : refusalResponse(begun.refusal)
})

/** Every walk of a plan. */
export const GET = handled(async (_request: Request, { params }: At) => {
  const { plan } = await params
  return Response.json({ walks: await listWalks(plan) })
})
