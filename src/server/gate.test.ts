import { createServer, request as ask, type IncomingMessage, type OutgoingHttpHeaders } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  leaveUnpacked,
  nonceHeader,
  notFromOurPages,
  notLoopback,
  secure,
  turnAway,
  unreadable,
} from './gate'

/** A server that does with each request what `scripts/serve.mjs` does, and says what the page would have seen of it. */
const server = createServer((request, response) => {
  const away = notLoopback(request) ?? unreadable(request) ?? notFromOurPages(request)
  if (away) return turnAway(response, away)
  leaveUnpacked(request)
  secure(request, response)
  response.end(JSON.stringify(request.headers))
})
let port = 0
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  port = (server.address() as AddressInfo).port
})
afterAll(() => void server.close())

interface Heard {
  readonly status: number
  readonly headers: IncomingMessage['headers']
  readonly body: Record<string, unknown>
}

function send(path: string, headers: OutgoingHttpHeaders = {}, method = 'GET'): Promise<Heard> {
  return new Promise((resolve, reject) => {
    const sent = ask({ port, host: '127.0.0.1', path, method, headers }, (answer) => {
      let text = ''
      answer.on('data', (part) => (text += String(part)))
      answer.on('end', () =>
        resolve({
          status: answer.statusCode ?? 0,
          headers: answer.headers,
          body: JSON.parse(text) as Record<string, unknown>,
        }),
      )
    })
    sent.on('error', reject)
    sent.end()
  })
}

describe('a request at the gate', () => {
  it.each(['127.0.0.1', 'localhost:4178', '[::1]:1'])(
    'under the loopback name %s goes through',
    async (host) => {
      expect((await send('/', { host })).status).toBe(200)
    },
  )

  it.each(['shelf.example', '127.0.0.1.shelf.example', 'localhost.example:80', '127.0.0.2'])(
    'under the name %s is turned away in words',
    async (host) => {
      expect(await send('/', { host })).toMatchObject({
        status: 421,
        body: {
          kind: 'refused',
          refusal: { code: 'not-ours', message: expect.stringContaining(host) as unknown },
        },
      })
    },
  )

  it.each(['PUT', 'DELETE', 'PATCH'])('that wants to %s is turned away', async (method) => {
    expect(await send('/', {}, method)).toMatchObject({ status: 405, body: { refusal: { code: 'method' } } })
  })

  it.each(['//evil.example', '/plans//x', '/a%00b', '/%', '/a\\b'])(
    'for the address %s is turned away',
    async (path) => {
      expect(await send(path)).toMatchObject({ status: 400, body: { refusal: { code: 'address' } } })
    },
  )

  it('that changes something goes through from our own pages only, by their name, port and scheme', async () => {
    const post = (origin?: string) => send('/api/x', origin === undefined ? {} : { origin }, 'POST')
    expect((await post(`http://127.0.0.1:${port}`)).status).toBe(200)
    for (const other of [
      undefined,
      'null',
      'http://evil.example',
      `https://127.0.0.1:${port}`,
      `http://127.0.0.1:${port + 1}`,
      `http://localhost:${port}`,
    ])
      expect((await post(other)).status, String(other)).toBe(403)
  })
})

describe('a page that goes through the gate', () => {
  it('carries a policy with the nonce its own scripts find, another each time, whatever the request said of it', async () => {
    const forged = { [nonceHeader]: 'mine', 'content-security-policy': "script-src 'nonce-mine'" }
    const [one, other] = [await send('/', forged), await send('/', forged)]
    for (const { headers, body } of [one, other]) {
      const nonce = String(body[nonceHeader])
      expect(nonce).toMatch(/^[A-Za-z0-9+/]{24}$/)
      expect(headers['content-security-policy']).toContain(`script-src 'self' 'nonce-${nonce}'`)
      expect(body['content-security-policy']).toBe(headers['content-security-policy'])
    }
    expect(one.body[nonceHeader]).not.toBe(other.body[nonceHeader])
  })

  it('is sent as it is; data and scripts are packed as they were asked for', async () => {
    const packed = { 'accept-encoding': 'gzip, br' }
    expect((await send('/plans/x/controls', packed)).body['accept-encoding']).toBeUndefined()
    expect((await send('/api/lenses', packed)).body['accept-encoding']).toBe('gzip, br')
    expect((await send('/_next/static/x.js', packed)).body['accept-encoding']).toBe('gzip, br')
  })
})
