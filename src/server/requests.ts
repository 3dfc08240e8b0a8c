import { readJson } from '@/core/json'
import { refuse, ok, type Refusal, type Result } from '@/core/result'

/** Reads a request's body up to a limit; refuses what is larger without reading it whole. */
export async function readBody(request: Request, mostBytes: number): Promise<Result<Uint8Array>> {
  const tooLarge = () => refuse('too-large', `At most ${mostBytes} bytes are taken here.`, 'request')
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return tooLarge()
  const parts: Uint8Array[] = []
  let size = 0
  const reader = request.body?.getReader()
  while (reader) {
    const { done, value } = await reader.read()
    if (done) break
    size += value.length
    if (size > mostBytes) {
      await reader.cancel()
      return tooLarge()
    }
    parts.push(value)
  }
  return ok(new Uint8Array(Buffer.concat(parts)))
}

/** Reads a small JSON order. */
export async function readOrder(
  request: Request,
  mostBytes = 1000,
): Promise<Result<Readonly<Record<string, unknown>>>> {
  const body = await readBody(request, mostBytes)
  const json = body.ok ? readJson(body.value, 'request') : body
  if (!json.ok) return json
  const isObject = json.value !== null && typeof json.value === 'object'
  return isObject
    ? ok(json.value as Record<string, unknown>)
    : refuse('shape', 'The request should be a JSON object.', 'request')
}

/** The answer for a refusal: its status follows its code. */
export function refusalResponse(refusal: Refusal): Response {
  const statuses: Record<string, number> = {
    'too-large': 413,
    'unknown-plan': 404,
    'unknown-file': 404,
    'unknown-body': 404,
  }
  return Response.json({ kind: 'refused', refusal }, { status: statuses[refusal.code] ?? 422 })
}

/** A result or, when the database does not answer, a refusal that says so. */
export async function reaching<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    if (!isConnectionFault(error)) throw error
    return refuse(
      'database',
      'The database does not answer. Start Salt Shelf again with npm run demo.',
      'database',
    )
  }
}

function isConnectionFault(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string }
  return (
    ['ECONNREFUSED', 'ECONNRESET', '57P01', '57P03'].includes(code) || /timeout|terminated/i.test(message)
  )
}
