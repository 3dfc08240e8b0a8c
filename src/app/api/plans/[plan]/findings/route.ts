import { handled } from '@/server/requests'
import { findingsKept } from '@/server/summaries'

/** What was found in a plan as it stands, with the version that it is about; null where it is being reckoned. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ plan: string }> }) =>
  Response.json(await findingsKept((await params).plan)),
)
