import { linesOf } from '@/app/api/news'
import { handled } from '@/server/requests'
import { goOn } from '@/server/transfers'

/** Goes on with a transfer that waits: one JSON line for each piece of news, as when it began. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ transfer: string }> }) =>
  linesOf(goOn((await params).transfer, { stop: request.signal })),
)
