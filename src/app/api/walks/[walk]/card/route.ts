import { readCardShown } from '@/server/cards'
import { lookAtCard } from '@/server/hand-carry'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** Looks at a card before the file of an act is written to it: `{act, entries, isWritable, free}`. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ walk: string }> }) => {
  const { walk } = await params
  const order = await readOrder(request, 8_000_000)
  if (!order.ok) return refusalResponse(order.refusal)
  const { act, ...given } = order.value
  const shown = readCardShown(given)
  if (!shown.ok) return refusalResponse(shown.refusal)
  const looked = await lookAtCard(walk, String(act), shown.value)
  return looked.ok ? Response.json(looked.value) : refusalResponse(looked.refusal)
})
