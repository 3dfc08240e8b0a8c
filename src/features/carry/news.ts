import type { CarryNews } from '@/core/camera/carry'

/** Posts an order and hands on each line of the answer as it comes; rejects when the connection breaks. */
export async function readNews(
  address: string,
  order: object,
  stop: AbortSignal | null,
  tell: (news: CarryNews) => void,
  headers: Readonly<Record<string, string>> = {},
): Promise<void> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(order),
    signal: stop,
  })
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  while (reader) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    lines.filter((line) => line !== '').forEach((line) => tell(JSON.parse(line) as CarryNews))
  }
  if (rest !== '') tell({ stage: null, holds: null, ...(JSON.parse(rest) as object) } as CarryNews)
}
