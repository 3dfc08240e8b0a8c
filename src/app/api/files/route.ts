import { planFileBytes } from '@/core/plan/limits'
import { importFile } from '@/server/files'
import { handled, readBody, refusalResponse } from '@/server/requests'

/** Brings a plan or card file in: its bytes as the body, its name in `?name=`. */
export const POST = handled(async (request: Request) => {
  const name = new URL(request.url).searchParams.get('name')?.slice(0, 120) || 'unnamed file'
  const body = await readBody(request, planFileBytes)
  if (!body.ok) return refusalResponse(body.refusal)
  const imported = await importFile(name, body.value)
  return imported.ok
    ? Response.json({ kind: 'imported', ...imported.value })
    : refusalResponse(imported.refusal)
})
