import { carryStages } from '@/core/camera/stages'
import { linesOf } from '@/app/api/news'
import { readSource } from '@/server/carry-sources'
import { handled, readOrder, refusalResponse } from '@/server/requests'
import { carry } from '@/server/transfers'

/** Carries something to a body: `{source, body, pauseBefore?, request?}` in; one JSON line for each piece of news out, as it happens. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const source = readSource(order.value.source)
  if (!source.ok) return refusalResponse(source.refusal)
  const { body, pauseBefore, request: asked } = order.value
  if (typeof body !== 'string')
    return refusalResponse({ code: 'shape', message: 'The order should name a body.', where: 'body' })
  const pause = carryStages.find((one) => one === pauseBefore) ?? null
  return linesOf(
    carry(source.value, body, {
      stop: request.signal,
      pauseBefore: pause,
      request: typeof asked === 'string' ? asked : null,
    }),
  )
})
