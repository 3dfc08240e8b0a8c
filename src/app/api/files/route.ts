import { largestTaken } from '@/core/cards/taking'
import { bodiesIn } from '@/core/inventory/records'
import { planFileBytes } from '@/core/plan/limits'
import { cameraFiles, importFile } from '@/server/files'
import { inventoryNow } from '@/server/inventory'
import { takeIn } from '@/server/opaque'
import { handled, readBody, refusalResponse } from '@/server/requests'

/**
 * Brings a plan or card file in: its bytes as the body, its name in `?name=`. With `?as=it-is` a file of whatever format is kept byte for
 * byte, with `?body=` the tag of the body that saved it, `?path=` where it lay on its card, `?savedAt=` in milliseconds.
 */
export const POST = handled(async (request: Request) => {
  const name = new URL(request.url).searchParams.get('name')?.slice(0, 120) || 'unnamed file'
  const asked = new URL(request.url).searchParams
  if (asked.get('as') === 'it-is') return keepAsItIs(request, asked, name)
  const body = await readBody(request, planFileBytes)
  if (!body.ok) return refusalResponse(body.refusal)
  const imported = await importFile(name, body.value)
  return imported.ok
    ? Response.json({ kind: 'imported', ...imported.value })
    : refusalResponse(imported.refusal)
})

/** The files of cameras of a model, the newest first: `?model=`. */
export const GET = handled(async (request: Request) => {
  const model = new URL(request.url).searchParams.get('model') ?? ''
  return Response.json({ files: await cameraFiles(model) })
})

async function keepAsItIs(request: Request, asked: URLSearchParams, name: string): Promise<Response> {
  const bytes = await readBody(request, largestTaken + 1)
  if (!bytes.ok) return refusalResponse(bytes.refusal)
  const { inventory } = await inventoryNow()
  const tag = asked.get('body')
  const body = bodiesIn(inventory).find((one) => one.tag === tag) ?? null
  if (tag !== null && tag !== '' && body === null)
    return refusalResponse({ code: 'unknown-body', message: `There is no body ${tag}.`, where: 'body' })
  const savedAt = Number(asked.get('savedAt') ?? NaN)
  const kept = await takeIn(bytes.value, {
    body,
    path: asked.get('path') ?? name,
    savedAt: Number.isFinite(savedAt) && savedAt > 0 ? savedAt : null,
    note: body ? `Saved on ${body.name}.` : '',
  })
  return kept.ok
    ? Response.json({ kind: 'imported', fileId: kept.value.fileId, known: kept.value.known, planId: null })
    : refusalResponse(kept.refusal)
}
