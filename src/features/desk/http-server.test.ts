import { createServer, type RequestListener } from 'node:http'
import { describe, expect, it } from 'vitest'
import { httpServer } from './http-server'

const save = { epoch: 'e', basedOn: 0, head: null, steps: [], ask: [] }

/** What a desk makes of a server that answers so. */
async function sentTo(answer: RequestListener) {
  const server = createServer(answer)
  const port = await new Promise<number>((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port)),
  )
  const sent = await httpServer('p', `http://127.0.0.1:${port}`).save(save)
  server.closeAllConnections()
  server.close()
  return sent
}

describe('a save by HTTP', () => {
  it('gives the answer of the protocol whatever its status', async () => {
    const answer = { kind: 'stale', epoch: 'e', from: 0, version: 1, entries: [], known: [] }
    expect(await sentTo((_, response) => response.writeHead(409).end(JSON.stringify(answer)))).toEqual({
      kind: 'answer',
      answer,
    })
  })

  it.each([200, 409, 410, 422])(
    'whose answer with %i is cut off on its way counts as not answered',
    async (status) => {
      const cut: RequestListener = (_, response) => {
        response.writeHead(status, { 'content-length': '500' })
        response.write('{"kind":"saved","epo')
        setTimeout(() => response.destroy(), 20)
      }
      expect(await sentTo(cut)).toEqual({ kind: 'failed', status: null, refusal: null })
    },
  )

  it.each([403, 413, 502])('that is answered %i in no words of ours gives the status', async (status) => {
    expect(await sentTo((_, response) => response.writeHead(status).end('<html>'))).toEqual({
      kind: 'failed',
      status,
      refusal: null,
    })
  })

  it('gives the reason where there is one', async () => {
    const refusal = { code: 'disk-full', message: 'The disk is full.' }
    expect(
      await sentTo((_, response) =>
        response.writeHead(507).end(JSON.stringify({ kind: 'refused', refusal })),
      ),
    ).toEqual({ kind: 'failed', status: 507, refusal })
  })

  it('nobody answers counts as not answered', async () => {
    expect(await httpServer('p', 'http://127.0.0.1:1').save(save)).toEqual({
      kind: 'failed',
      status: null,
      refusal: null,
    })
  })
})
