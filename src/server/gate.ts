import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { TLSSocket } from 'node:tls'
import type { Refusal } from '@/core/result'

/** Where a page finds the nonce of its own inline scripts. */
export const nonceHeader = 'x-nonce'

/** A request that is not answered: with which status, and why. */
export interface TurnedAway extends Refusal {
  readonly status: number
}

/** Why a request on this machine's own port is not answered: no foreign page can reach in through a name of its own. */
export function notLoopback({ headers: { host = '' } }: IncomingMessage): TurnedAway | null {
  if (loopbackHost.test(host)) return null
  const message = `Salt Shelf answers on this machine only, not as “${host}”.`
  return { status: 421, code: 'not-ours', message }
}

/** Why no handler could read a request; null where one can. */
export function unreadable({ method = '', url = '' }: IncomingMessage): TurnedAway | null {
  if (!harmless.has(method) && method !== 'POST')
    return { status: 405, code: 'method', message: `${method} is not answered here.` }
  if (isPath(url)) return null
  return { status: 400, code: 'address', message: 'This address cannot be read. Begin at /.' }
}

/** Why a request must not be done: whatever changes something has to come from our own pages, scheme and all. */
export function notFromOurPages({ method = '', headers, socket }: IncomingMessage): TurnedAway | null {
  const scheme = socket instanceof TLSSocket ? 'https' : 'http'
  if (harmless.has(method) || headers.origin === `${scheme}://${headers.host}`) return null
  const message = 'This change did not come from a page of Salt Shelf, so nothing was done.'
  return { status: 403, code: 'not-ours', message }
}

/** Gives a page its content security policy, in which each inline script carries a fresh nonce; the page reads it of its request. */
export function secure(request: IncomingMessage, response: ServerResponse): void {
  const nonce = randomBytes(18).toString('base64')
  const policy = policyWith(nonce)
  request.headers[nonceHeader] = nonce
  request.headers['content-security-policy'] = policy
  response.setHeader('content-security-policy', policy)
  response.setHeader('referrer-policy', 'same-origin')
}

/** Has a page sent as it is: on one machine packing and unpacking it takes longer than passing it on. */
export function leaveUnpacked({ url = '', headers }: IncomingMessage): void {
  if (!/^\/(api|_next)\//.test(url)) delete headers['accept-encoding']
}

/** Answers a request that is turned away, in words. */
export function turnAway(response: ServerResponse, { status, ...refusal }: TurnedAway): void {
  response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' })
  response.end(JSON.stringify({ kind: 'refused', refusal }))
}

const loopbackHost = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/
const harmless = new Set(['GET', 'HEAD', 'OPTIONS'])

/** An address of ours: one stroke at its beginning, nothing doubled, and readable to its end. */
function isPath(url: string): boolean {
  const [path = ''] = url.split('?')
  if (!path.startsWith('/') || /[\\]|\/\//.test(path)) return false
  try {
    return !decodeURIComponent(path).includes('\0')
  } catch {
    return false
  }
}

/** The solver needs 'wasm-unsafe-eval'. */
function policyWith(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}
