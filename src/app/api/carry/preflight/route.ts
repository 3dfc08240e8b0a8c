import { readSource } from '@/server/carry-sources'
import { seeBefore } from '@/server/preflight'
import { handled, refusalResponse } from '@/server/requests'

/** What would happen to bodies: `?source=…&body=…&body=…`. Changes nothing. */
export const GET = handled(async (request: Request) => {
  const { searchParams } = new URL(request.url)
  const source = readSource(searchParams.get('source'))
  if (!source.ok) return refusalResponse(source.refusal)
  const seen = await seeBefore(source.value, searchParams.getAll('body'))
  return seen.ok ? Response.json(seen.value) : refusalResponse(seen.refusal)
})
