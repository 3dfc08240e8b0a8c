import { planKind } from '@/core/plan/kind'
import { savePlan, stepsBefore } from '@/server/plans'
import { handled } from '@/server/requests'
import { answerEarlier, answerSave } from '@/server/steps-route'

interface At {
  readonly params: Promise<{ plan: string }>
}

/** A save of a plan. */
export const POST = handled(async (request: Request, { params }: At) => {
  const { plan } = await params
  return answerSave(
    request,
    planKind(() => null),
    (read) => savePlan(plan, read),
  )
})

/** Older steps of a plan. */
export const GET = handled(async (request: Request, { params }: At) => {
  const { plan } = await params
  return answerEarlier(request, (before) => stepsBefore(plan, before))
})
