import { toCompare } from '@/server/hand-carry'
import { handled, refusalResponse } from '@/server/requests'

/** What is to be held against each other at an act of a walk. */
export const GET = handled(async (request: Request, { params }: { params: Promise<{ walk: string }> }) => {
  const { walk } = await params
  const asked = await toCompare(walk, new URL(request.url).searchParams.get('act') ?? '')
  return asked.ok ? Response.json(asked.value) : refusalResponse(asked.refusal)
})
