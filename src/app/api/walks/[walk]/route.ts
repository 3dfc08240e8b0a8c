import { handled, readOrder, refusalResponse } from '@/server/requests'
import { turnWalk, walkTurns } from '@/server/walks'

interface At {
  readonly params: Promise<{ walk: string }>
}

/** A walk as a whole: ended in its record, gone on with, or taken over to what the plan is now. */
export const POST = handled(async (request: Request, { params }: At) => {
  const { walk } = await params
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const turn = walkTurns.find((one) => one === order.value.turn)
  if (!turn)
    return refusalResponse({
      code: 'outside',
      message: `A walk takes ${walkTurns.join(', ')}.`,
      where: 'turn',
    })
  const turned = await turnWalk(walk, turn)
  return turned.ok ? Response.json({ kind: 'turned' }) : refusalResponse(turned.refusal)
})
