import { NextResponse, type NextRequest } from 'next/server'

/**
 * Every request passes here: only loopback names are answered, and the one it is shared at (so no foreign page can reach
 * in through a name of its own), whatever changes something must come from our own pages, and pages get a content security policy in
 * which each inline script carries a fresh nonce. The solver needs 'wasm-unsafe-eval'.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? ''
  if (!loopbackHost.test(host) && host !== sharedHost())
    return refused(421, `Salt Shelf answers on this machine only, not as “${host}”.`)
  if (!harmless.has(request.method) && !fromOurPages(request, host)) {
    return refused(403, 'This change did not come from a page of Salt Shelf, so nothing was done.')
  }
  const nonce = btoa(crypto.randomUUID())
  const policy = policyWith(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  response.headers.set('x-content-type-options', 'nosniff')
  response.headers.set('referrer-policy', 'same-origin')
  return response
}

export const config = { matcher: ['/((?!_next/static|_next/image).*)'] }

const loopbackHost = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/
/** The one other name that is answered to: where the door for other devices stands open (scripts/serve.mjs). */
const sharedHost = () => process.env.SALT_SHELF_SHARE_HOST ?? null
const harmless = new Set(['GET', 'HEAD', 'OPTIONS'])

function fromOurPages(request: NextRequest, host: string): boolean {
  return request.headers.get('origin') === `${request.nextUrl.protocol}//${host}`
}

function policyWith(nonce: string): string {
  const evaluation = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${evaluation}`,
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

function refused(status: number, message: string): NextResponse {
  const response = NextResponse.json({ ok: false, refusal: { code: 'not-ours', message } }, { status })
  response.headers.set('x-content-type-options', 'nosniff')
  return response
}
