import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Refusal } from '@/core/result'
import { refusedPage } from './pages'

/** Whether a request is for a page that somebody looks at. */
export function isPage({ method, headers }: IncomingMessage): boolean {
  const mode = headers['sec-fetch-mode']
  return (
    method === 'GET' &&
    (mode === 'navigate' || (mode === undefined && /text\/html/.test(headers.accept ?? '')))
  )
}

/** Refuses in the way of whoever asks: a page in words, anything else in JSON. */
export function refuseIn(
  request: IncomingMessage,
  response: ServerResponse,
  status: number,
  refusal: Refusal,
): void {
  if (response.headersSent) return void response.destroy()
  if (isPage(request)) return html(response, status, refusedPage('Not now', refusal.message))
  send(response, status, 'application/json; charset=utf-8', JSON.stringify({ kind: 'refused', refusal }))
}

/** A short refusal in JSON. */
export function tell(response: ServerResponse, status: number, message: string): void {
  const refusal = { code: 'not-ours', message }
  send(response, status, 'application/json; charset=utf-8', JSON.stringify({ kind: 'refused', refusal }))
}

/** Sends on to another address of ours. */
export function seeOther(response: ServerResponse, path: string): void {
  response.setHeader('location', path)
  send(response, 303, 'text/plain; charset=utf-8', '')
}

/** A page of the door: nothing runs in it, nothing comes from elsewhere. */
export function html(response: ServerResponse, status: number, text: string): void {
  response.setHeader(
    'content-security-policy',
    "default-src 'none'; style-src 'unsafe-inline'; font-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
  )
  send(response, status, 'text/html; charset=utf-8', text)
}

/** Sends something whole, kept nowhere unless that was said before. */
export function send(
  response: ServerResponse,
  status: number,
  type: string,
  body: string | Uint8Array,
): void {
  if (!response.hasHeader('cache-control')) response.setHeader('cache-control', 'no-store')
  response.setHeader('x-content-type-options', 'nosniff')
  response.setHeader('referrer-policy', 'same-origin')
  response.writeHead(status, { 'content-type': type, 'content-length': Buffer.byteLength(body) })
  response.end(body)
}
