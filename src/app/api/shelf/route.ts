import { listBodies } from '@/server/bodies'
import { listPlans } from '@/server/plans'
import { handled } from '@/server/requests'

/** What stands on the shelf, by name: plans and bodies. */
export const GET = handled(async () => {
  const [plans, { bodies }] = await Promise.all([listPlans(), listBodies()])
  return Response.json({
    kind: 'shelf',
    plans: plans.flatMap((one) =>
      'trouble' in one ? [] : [{ id: one.id, title: one.title, model: one.model.name }],
    ),
    bodies: bodies.map(({ id, name, place, model }) => ({ id, name, place, model: model.name })),
  })
})
