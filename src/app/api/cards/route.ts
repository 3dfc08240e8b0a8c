import { lookAtAnyCard, prepareCard, readCardShown } from '@/server/cards'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** What lies on a card: `{entries, isWritable, free}`; with `{body, file}`, where a file of the shelf would go on it. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request, 8_000_000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { body, file, ...given } = order.value
  const shown = readCardShown(given)
  if (!shown.ok) return refusalResponse(shown.refusal)
  if (typeof body !== 'string' || typeof file !== 'string')
    return Response.json({ card: await lookAtAnyCard(shown.value) })
  const prepared = await prepareCard(body, file, shown.value)
  return prepared.ok ? Response.json(prepared.value) : refusalResponse(prepared.refusal)
})
