import type { BodyModel } from '@/core/model/types'
import { stepsServer } from '@/features/documents'
import type { Server } from './plan-desk'

/** The server of a plan by HTTP. `origin` and `headers` are for programs; a page asks where it came from. */
export function httpServer(
  planId: string,
  origin = '',
  headers: Readonly<Record<string, string>> = {},
): Server {
  return {
    ...stepsServer(`${origin}/api/plans/${planId}/steps`, headers),
    async definition(id, edition) {
      const response = await fetch(`${origin}/api/models/${id}/${edition}`).catch(() => null)
      return response?.ok ? ((await response.json()) as BodyModel) : null
    },
  }
}
