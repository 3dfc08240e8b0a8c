import { handled, refusalResponse } from '@/server/requests'
import { othersOf } from '@/server/revisions'

/** The owner’s newest plan for each other model, and the models that this one is taken for. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const read = await othersOf((await params).plan)
  return read.ok ? Response.json(read.value) : refusalResponse(read.refusal)
})
