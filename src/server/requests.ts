import { statfsSync } from 'node:fs'
import { readJson } from '@/core/json'
import { refuse, ok, type Refusal, type Result } from '@/core/result'
import { isConnectionFault } from './db'

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

/**
 * The answer for a refusal: its status follows its code. What is wrong with something kept here is a conflict, never the
 * fault of what was sent, so that a page does not take its own steps back for it.
 */
export function refusalResponse(refusal: Refusal): Response {
  const statuses: Record<string, number> = {
    'too-large': 413,
    'unknown-plan': 404,
    'unknown-file': 404,
    'unknown-body': 404,
    'unknown-model': 404,
    'unknown-walk': 404,
    'unknown-transfer': 404,
    'unknown-revision': 404,
    'unknown-device': 404,
    'this-machine': 403,
    'not-shared': 409,
    'damaged-row': 409,
    database: 503,
    busy: 503,
    'disk-full': 507,
    fault: 500,
  }
  return Response.json({ kind: 'refused', refusal }, { status: statuses[refusal.code] ?? 422 })
}

/**
 * An answer for the address of something that never changes: where the address carries the digest of what is there, it
 * may be kept for ever; asked for without, it is asked for again.
 */
export function immutableWhere(request: Request, digest: string, contents: unknown): Response {
  const isNamed = new URL(request.url).searchParams.get('digest') === digest
  return Response.json(contents, {
    headers: { 'cache-control': isNamed ? 'public, max-age=31536000, immutable' : 'no-cache' },
  })
}

/** Bytes as a file to be saved. */
export function attachment(name: string, bytes: Uint8Array): Response {
  const plain = name.replace(/[^A-Za-z0-9._-]+/g, '-')
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename="${plain}"`,
    },
  })
}

/** A route handler that always answers in words: what the database could not do is a refusal, a fault is logged and told. */
export function handled<A extends readonly unknown[]>(
  work: (...asked: A) => Promise<Response>,
): (...asked: A) => Promise<Response> {
  return async (...asked) => {
    try {
      return await work(...asked)
    } catch (error) {
      const trouble = databaseTrouble(error)
      if (!trouble) console.error(error)
      return refusalResponse(
        trouble ?? {
          code: 'fault',
          message: 'Something went wrong on the server; its log has it. What you saved is safe.',
        },
      )
    }
  }
}

/** A result or, when the database could not do it, a refusal that says why. */
export async function withDatabase<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (error) {
    const trouble = databaseTrouble(error)
    if (!trouble) throw error
    return { ok: false, refusal: trouble }
  }
}

/** What kept the database from doing what was asked, in words; null where the fault is ours. */
export function databaseTrouble(error: unknown): Refusal | null {
  const { code = '' } = (error ?? {}) as { code?: string }
  const isLost = isConnectionFault(error)
  if (code === '53100' || code === 'ENOSPC' || (isLost && diskIsFull())) {
    const message =
      'The disk is full: nothing can be kept until there is room. What was saved before is safe.'
    return { code: 'disk-full', message, where: 'database' }
  }
  if (['55P03', '57014', '53300', '40P01', '25P03'].includes(code)) {
    const message = 'The database is busy with something else and did not get to this. Try again in a moment.'
    return { code: 'busy', message, where: 'database' }
  }
  if (!isLost) return null
  const message =
    'The database does not answer. Salt Shelf goes on trying; npm run demo starts its own database again by itself.'
  return { code: 'database', message, where: 'database' }
}

/** True when there is no room left where our own database keeps its data: it ends itself then, instead of saying so. */
function diskIsFull(): boolean {
  const home = process.env.SALT_SHELF_DATA
  if (!home) return false
  try {
    const { bavail, bsize } = statfsSync(home)
    return bavail * bsize < leastRoom
  } catch {
    return false
  }
}

/** A database cannot go on with less room than one piece of its log takes, in bytes. */
const leastRoom = 16_777_216
