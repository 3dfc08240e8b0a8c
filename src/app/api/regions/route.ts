import { transaction } from '@/server/db'
import { dropRegion, keepRegions, readRegion, regionsOf } from '@/server/regions'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** The named stretches of the files of a model. */
export const GET = handled(async (request: Request) =>
  Response.json({ regions: await regionsOf(new URL(request.url).searchParams.get('model') ?? '') }),
)

/** Names a stretch of the files of a model: `{model, kind, size, from, to, words}`; or takes one away: `{drop: id}`. */
export const POST = handled(async (request: Request) => {
  const order = await readOrder(request)
  if (!order.ok) return refusalResponse(order.refusal)
  const { model, drop } = order.value
  if (typeof drop === 'string') {
    const dropped = await dropRegion(drop)
    return dropped.ok ? Response.json({ kind: 'done' }) : refusalResponse(dropped.refusal)
  }
  const region = readRegion(order.value)
  if (!region.ok) return refusalResponse(region.refusal)
  if (typeof model !== 'string' || model === '')
    return refusalResponse({
      code: 'shape',
      message: 'Stretches are named for the files of a model: say first which body saved the file.',
      where: 'model',
    })
  await transaction((client) => keepRegions(client, model.slice(0, 100), [region.value]))
  return Response.json({ regions: await regionsOf(model) })
})
