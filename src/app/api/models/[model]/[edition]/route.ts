import { digestOf, modelFor } from '@/server/models'
import { handled, immutableWhere, refusalResponse } from '@/server/requests'

/** One edition of a model's definition, as plans that stand on it need it. */
export const GET = handled(
  async (request: Request, { params }: { params: Promise<{ model: string; edition: string }> }) => {
    const { model: id, edition } = await params
    const sound = /^[a-z][a-z0-9-]{0,60}$/.test(id) && /^[1-9]\d{0,8}$/.test(edition)
    const model = sound ? await modelFor(id, Number(edition)) : null
    if (model) return immutableWhere(request, digestOf(model), model)
    return refusalResponse({
      code: 'unknown-model',
      message: 'There is no such edition of a model.',
      where: 'model',
    })
  },
)
