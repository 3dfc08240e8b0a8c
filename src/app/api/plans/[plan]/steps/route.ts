import { parseSave } from '@/core/plan/parse-step'
import { appendSteps } from '@/server/plans'
import { readOrder, refusalResponse } from '@/server/requests'

/** Appends steps to a plan: `{basedOn, steps}` in, `saved`, `stale` (409, with the newer steps) or `refused` out. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ plan: string }> },
): Promise<Response> {
  const json = await readOrder(request, 1_000_000)
  if (!json.ok) return refusalResponse(json.refusal)
  const order = parseSave(json.value)
  if (!order.ok) return refusalResponse(order.refusal)
  const appended = await appendSteps((await params).plan, order.value.basedOn, order.value.steps)
  if (appended.kind === 'refused') return refusalResponse(appended.refusal)
  return Response.json(appended, { status: appended.kind === 'stale' ? 409 : 200 })
}
