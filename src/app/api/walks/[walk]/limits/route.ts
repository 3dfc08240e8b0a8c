import { handled, refusalResponse } from '@/server/requests'
import { writeIsoLimits } from '@/server/walk-limits'

interface At {
  readonly params: Promise<{ walk: string }>
}

/** The two limits of an ISO ladder that was rated on a walk, written into its plan. */
export const POST = handled(async (_: Request, { params }: At) => {
  const written = await writeIsoLimits((await params).walk)
  return written.ok ? Response.json(written.value) : refusalResponse(written.refusal)
})
