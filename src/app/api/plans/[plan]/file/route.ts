import { writePlanFile } from '@/core/files/plan-file'
import { planTitle } from '@/core/plan/plan'
import { loadPlan } from '@/server/plans'
import { handled, refusalResponse } from '@/server/requests'

/** The plan as a plan file, to keep or to hand on. */
export const GET = handled(async (_request: Request, { params }: { params: Promise<{ plan: string }> }) => {
  const stored = await loadPlan((await params).plan)
  if (!stored.ok) return refusalResponse(stored.refusal)
  const name = planTitle(stored.value.plan)
    .replace(/[^A-Za-z0-9]+/g, '-')
    .toLowerCase()
  return new Response(writePlanFile({ plan: stored.value.plan, revision: null }), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${name}.plan.json"`,
    },
  })
})
