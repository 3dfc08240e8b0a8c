import { planKind } from '@/core/plan/kind'
import { planLimits } from '@/core/plan/limits'
import { readSave } from '@/core/sync/protocol'
import { savePlan, stepsBefore } from '@/server/plans'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** One save: `core/sync/protocol` says what goes in and what comes out. 409 with newer steps, 422 with a step that does not fit, 410 where the log is another one. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const json = await readOrder(request, planLimits.bytesInSave + planLimits.bytesInStep)
  if (!json.ok) return refusalResponse(json.refusal)
  const read = readSave(
    planKind(() => null),
    json.value,
  )
  if (!read.ok) return refusalResponse(read.refusal)
  const answer = await savePlan((await params).plan, read.value)
  if (!answer.ok) return refusalResponse(answer.refusal)
  const statuses = { saved: 200, stale: 409, unfit: 422, apart: 410 } as const
  return Response.json(answer.value, { status: statuses[answer.value.kind] })
})

/** Older steps, for undo: those before the one named, oldest first. */
export const GET = handled(async (request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const before = Number(new URL(request.url).searchParams.get('before'))
  if (!Number.isInteger(before) || before < 1 || before > 2_000_000_000)
    return refusalResponse({
      code: 'shape',
      message: 'Say before which step, such as ?before=51.',
      where: 'before',
    })
  const steps = await stepsBefore((await params).plan, before)
  return steps.ok ? Response.json({ kind: 'steps', steps: steps.value }) : refusalResponse(steps.refusal)
})
