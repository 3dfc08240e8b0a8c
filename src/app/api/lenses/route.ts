import { definitions, digestOfLenses } from '@/server/models'
import { handled, immutableWhere } from '@/server/requests'

/** Every lens there is a definition of. */
export const GET = handled(async (request: Request) => {
  const { lenses } = await definitions()
  return immutableWhere(request, digestOfLenses(lenses), lenses)
})
