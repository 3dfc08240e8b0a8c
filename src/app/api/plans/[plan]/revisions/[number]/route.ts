import { handled, refusalResponse } from '@/server/requests'
import { revisionRows } from '@/server/revisions'

/** The rows of a revision, for a sheet of it, or to be held against. */
export const GET = handled(
  async (_request: Request, { params }: { params: Promise<{ plan: string; number: string }> }) => {
    const { plan, number } = await params
    const asked = /^[1-9][0-9]{0,8}$/.test(number) ? Number(number) : null
    if (asked === null)
      return refusalResponse({ code: 'unknown-revision', message: 'A revision is a number.', where: number })
    const read = await revisionRows(plan, asked)
    return read.ok ? Response.json(read.value) : refusalResponse(read.refusal)
  },
)
