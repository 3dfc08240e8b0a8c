import { planTitle } from '@/core/plan/plan'
import { listBodies } from '@/server/bodies'
import { listPlans } from '@/server/plans'

/** What stands on the shelf, by name: plans and bodies. */
export async function GET(): Promise<Response> {
  const [plans, bodies] = await Promise.all([listPlans(), listBodies()])
  return Response.json({
    kind: 'shelf',
    plans: plans.map(({ id, plan, model }) => ({ id, title: planTitle(plan), model: model.name })),
    bodies: bodies.map(({ id, name, place, model }) => ({ id, name, place, model: model.name })),
  })
}
