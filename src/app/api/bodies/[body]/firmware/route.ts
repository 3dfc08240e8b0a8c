import { firmwareDayOf } from '@/server/bench'
import { loadBody } from '@/server/bodies'
import { handled, refusalResponse } from '@/server/requests'

/** What an update of a body comes to: `?to=` a firmware. Changes nothing. */
export const GET = handled(async (request: Request, { params }: { params: Promise<{ body: string }> }) => {
  const body = await loadBody((await params).body)
  if (!body.ok) return refusalResponse(body.refusal)
  const day = await firmwareDayOf(body.value, new URL(request.url).searchParams.get('to') ?? '')
  return day.ok ? Response.json(day.value) : refusalResponse(day.refusal)
})
