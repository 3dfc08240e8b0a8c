import { cardConditions, setCard, type CardCondition } from '@/server/bodies'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** Changes the card in a simulated body: `{condition}` is ready, locked, full or none. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ body: string }> }) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const condition = order.value.condition
  if (!cardConditions.some((known) => known === condition)) {
    const message = `A card is ${cardConditions.join(', ')}.`
    return refusalResponse({ code: 'shape', message, where: 'condition' })
  }
  const set = await setCard((await params).body, condition as CardCondition)
  return set.ok ? Response.json({ ok: true }) : refusalResponse(set.refusal)
})
