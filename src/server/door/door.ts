import { createServer as createPlain, type Server as PlainServer } from 'node:http'
import { createServer as createSecure, type Server as SecureServer } from 'node:https'
import { createServer as createOuter, type Socket } from 'node:net'
import { networkInterfaces } from 'node:os'
import { ok, refuse, type Result } from '@/core/result'
import { databaseTrouble } from '../requests'
import { addressesOf, hostOf, isHere, type Interfaces, type SharedAt } from './addresses'
import { admit, font, notThis, type Inside } from './admission'
import { certify, chainOf, derOf, fingerprintOf, isDue, type Authority } from './authority'
import { keptIn } from './keeping'
import { doorPaths, refusedPage, trustPage } from './pages'
import { html, refuseIn, send, tell } from './replies'
import type { DoorState } from './state'
import { Tries } from './tries'

/** What a door leads to, and what it needs. */
export interface DoorWays extends Pick<Inside, 'fonts' | 'unreadable' | 'pass'> {
  readonly at: SharedAt
  readonly port: number
  /** The home of the data: the authority lies there. */
  readonly home: string
  readonly now?: () => Date
  readonly interfaces?: () => Interfaces
}

/** A door that stands open. */
export interface Door {
  readonly state: DoorState
  /** Looks after it: makes a certificate anew that is about to run out, and whether the address is still this machine's. */
  look(): Promise<void>
  close(): Promise<void>
}

/** How often a door is looked after, in milliseconds. */
const often = 5000

/**
 * Opens the door: one port at one address. Whoever speaks plain HTTP there gets the certificate and how to trust it, and
 * nothing else; over TLS a device that was let in gets everything, any other is asked for a code. Refuses an address or a
 * port that cannot be had, and an authority that cannot be read.
 */
export async function openDoor(ways: DoorWays): Promise<Result<Door>> {
  const { at, port, now = () => new Date(), interfaces = networkInterfaces } = ways
  const kept = await keptIn(ways.home, at.name, now())
  if (!kept.ok) return kept
  const { authority, secret, isNew } = kept.value
  const host = hostOf(at.name, port)
  const facts = { origin: `https://${host}`, fingerprint: fingerprintOf(authority) }
  const inside: Inside = { ...ways, facts, host, secret, tries: new Tries(), now }
  let certificate = await certify(authority, at.name, now())
  const context = () => ({ cert: chainOf(certificate, authority), key: certificate.key })
  const plain = plainServer(inside, authority)
  const secure = secureServer(inside, context())
  const outer = createOuter((socket) => sortOut(socket, secure, plain))
  outer.maxConnections = 300
  const trouble = await new Promise<NodeJS.ErrnoException | null>((resolve) => {
    outer.once('error', resolve)
    outer.listen(port, at.address, () => resolve(null))
  })
  if (trouble) return refuse('cannot-listen', `Salt Shelf cannot listen at ${host}: ${trouble.message}`, host)
  outer.on('error', (error) => console.error(`The door at ${host}: ${error.message}`))

  let isReachable = true
  const look = async () => {
    if (isDue('certificate', certificate, now())) {
      certificate = await certify(authority, at.name, now())
      secure.setSecureContext(context())
    }
    const isThere = isHere(at.address, allAddresses(interfaces()))
    if (isThere !== isReachable) console.error(addressNews(at, facts.origin, isThere, interfaces()))
    isReachable = isThere
  }
  const looking = setInterval(() => void look().catch((error: unknown) => console.error(error)), often)
  looking.unref()
  const state = { ...facts, host, plain: `http://${host}/`, isNew, isReachable: () => isReachable }
  const close = () =>
    new Promise<void>((resolve) => {
      clearInterval(looking)
      secure.closeAllConnections()
      plain.closeAllConnections()
      outer.close(() => resolve())
    })
  return ok({ state, look, close })
}

/** What is there in plain HTTP: the certificate, and how to trust it. */
function plainServer(inside: Inside, authority: Authority): PlainServer {
  const { facts, host } = inside
  return unbroken(
    createPlain((request, response) => {
      if (request.headers.host !== host) return tell(response, 421, notThis(request))
      const path = request.url ?? ''
      if (request.method !== 'GET' && request.method !== 'HEAD')
        return tell(response, 405, 'Nothing is taken here. Open it with https.')
      if (path === '/' || path === doorPaths.page) return html(response, 200, trustPage(facts))
      if (path === doorPaths.certificate)
        return send(response, 200, 'application/x-x509-ca-cert', derOf(authority.certificate))
      if (path.startsWith(doorPaths.fonts)) return void font(inside, path, response)
      const words = `Over plain HTTP there is only the certificate here. Salt Shelf itself is at ${facts.origin}.`
      const way = '<p><a class="main" href="/">To the certificate</a></p>'
      html(response, 404, refusedPage('Not here', words, way))
    }),
  )
}

function secureServer(inside: Inside, context: { cert: string; key: string }): SecureServer {
  const server = createSecure({ ...context, handshakeTimeout: 10_000 }, (request, response) => {
    void admit(inside, request, response).catch((error: unknown) => {
      const trouble = databaseTrouble(error)
      if (!trouble) console.error(error)
      const fault = { code: 'fault', message: 'Something went wrong; try again.' }
      refuseIn(request, response, 503, trouble ?? fault)
    })
  })
  // A device that does not trust the authority yet ends the handshake.
  server.on('tlsClientError', () => undefined)
  return unbroken(server)
}

/** What cannot be read is answered shortly, and breaks nothing. */
function unbroken<S extends PlainServer | SecureServer>(server: S): S {
  server.on('clientError', (_error: Error, socket: Socket) => {
    if (socket.writable)
      socket.end('HTTP/1.1 400 Bad Request\r\ncontent-length: 0\r\nconnection: close\r\n\r\n')
  })
  return server
}

/** Hands a connection on by its first byte: that of a TLS handshake, or of anything else. */
function sortOut(socket: Socket, secure: SecureServer, plain: PlainServer): void {
  const patience = setTimeout(() => socket.destroy(), 10_000)
  socket.on('error', () => socket.destroy())
  socket.once('close', () => clearTimeout(patience))
  socket.once('data', (first: Buffer) => {
    clearTimeout(patience)
    socket.pause()
    socket.unshift(first)
    ;(first[0] === 22 ? secure : plain).emit('connection', socket)
    process.nextTick(() => socket.resume())
  })
}

function allAddresses(interfaces: Interfaces): readonly string[] {
  return Object.values(interfaces).flatMap((list) => (list ?? []).map(({ address }) => address))
}

function addressNews(
  { address }: SharedAt,
  origin: string,
  isThere: boolean,
  interfaces: Interfaces,
): string {
  if (isThere) return `\nThe address ${address} is back: devices reach ${origin} again.`
  const others = addressesOf(interfaces).join(', ') || 'there is none'
  return (
    `\nThe address ${address} is gone from this machine: devices do not reach it. They go on by themselves when it is back; ` +
    `to share at another (${others}), start again.`
  )
}
