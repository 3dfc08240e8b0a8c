import { handled, readOrder, refusalResponse } from '@/server/requests'
import { carry } from '@/server/transfers'

/** Carries a plan to a body: `{body}` in; one JSON line for each piece of news out, as it happens. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const bodyId = order.value.body
  if (typeof bodyId !== 'string') {
    return refusalResponse({ code: 'shape', message: 'The order should name a body.', where: 'body' })
  }
  return new Response(linesOf(carry((await params).plan, bodyId, request.signal)), {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  })
})

function linesOf(news: AsyncGenerator<unknown>): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  return new ReadableStream({
    async pull(controller) {
      const next = await news.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(`${JSON.stringify(next.value)}\n`))
    },
    async cancel() {
      await news.return(undefined)
    },
  })
}
