import { readWorkbook, workbookLimits } from '@/disk/workbook'
import { handled, readBody, refusalResponse } from '@/server/requests'

/** Reads a workbook or CSV that came back: its lines, to be held against the plan under work. Nothing of it is kept. */
export const POST = handled(async (request: Request) => {
  const body = await readBody(request, workbookLimits.bytes)
  if (!body.ok) return refusalResponse(body.refusal)
  const read = await readWorkbook(body.value, 'the file')
  return read.ok ? Response.json(read.value) : refusalResponse(read.refusal)
})
