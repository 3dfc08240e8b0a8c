import { listBodies } from '@/server/bodies'
import { definitions } from '@/server/models'
import { listPlans, patternsOf } from '@/server/summaries'
import { handled } from '@/server/requests'

/** How many plans are named at most. */
const mostNamed = 20

/** What stands on the shelf, by name: the plans and bodies that have every word of `find`, those used last first. */
export const GET = handled(async (request: Request) => {
  const words = new URL(request.url).searchParams.get('find') ?? ''
  const [{ plans }, { bodies }, { models }] = await Promise.all([
    listPlans(1, mostNamed, words),
    listBodies(patternsOf(words)),
    definitions(),
  ])
  const named = (id: string) => models.find((model) => model.id === id)?.name ?? id
  return Response.json({
    kind: 'shelf',
    plans: plans.flatMap((one) =>
      one.trouble ? [] : [{ id: one.id, title: one.title, model: named(one.modelId) }],
    ),
    bodies: bodies.map(({ id, tag, name, place, model }) => ({ id, tag, name, place, model: model.name })),
  })
})
