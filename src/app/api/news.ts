/** An answer of one JSON line for each piece of news, as it happens; where nobody listens any more, the news end. */
export function linesOf(news: AsyncGenerator<unknown>): Response {
  const encoder = new TextEncoder()
  const lines = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await news.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(`${JSON.stringify(next.value)}\n`))
    },
    async cancel() {
      await news.return(undefined)
    },
  })
  return new Response(lines, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  })
}
