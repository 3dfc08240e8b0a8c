import { readFile } from 'node:fs/promises'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { getIronSession, type SessionOptions } from 'iron-session'
import type { Refusal } from '@/core/result'
import { deviceAt, endDevice, noteUse, type Device } from './devices'
import { againPage, codePage, doorPaths, type DoorFacts } from './pages'
import { letIn } from './pairing'
import { deviceHeader } from './state'
import { html, isPage, refuseIn, seeOther, send, tell } from './replies'
import type { Tries } from './tries'

/** What admission knows of its door. */
export interface Inside {
  readonly facts: DoorFacts
  readonly host: string
  /** What seals the cookie of a device. */
  readonly secret: string
  readonly tries: Tries
  readonly now: () => Date
  /** Where the fonts of its pages lie, by name. */
  readonly fonts: Readonly<Record<string, string>>
  /** Why a request cannot be read, before anybody looks who sent it; null where it can. */
  readonly unreadable: (
    request: IncomingMessage,
  ) => { readonly status: number; readonly message: string } | null
  /** Answers a request of a device that is let in. */
  readonly pass: (request: IncomingMessage, response: ServerResponse) => void
}

/** Who asks: a device let in, one that was and is no longer, or nobody known. */
type Who = { readonly kind: 'device'; readonly device: Device } | { readonly kind: 'ended' | 'nobody' }

/** The only addresses behind the door that are open: whole, so that nothing else can be reached through them. */
const openToAll = /^\/(manifest\.webmanifest|icons\/[a-z0-9-]+\.png)$/

/** What others may set to be taken for something else. */
const untrusted = /^(x-forwarded-|x-middleware-|x-salt-shelf-|forwarded$|x-real-ip$)/

/** Takes off a request what only those behind the door may say. */
export function plainRequest(request: IncomingMessage): void {
  for (const name of Object.keys(request.headers)) if (untrusted.test(name)) delete request.headers[name]
}

/** Answers over TLS: a device that was let in gets what is behind the door, any other is asked for a code. */
export async function admit(
  inside: Inside,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  response.setHeader('x-content-type-options', 'nosniff')
  plainRequest(request)
  if (request.headers.host !== inside.host) return tell(response, 421, notThis(request))
  const unreadable = inside.unreadable(request)
  if (unreadable) return tell(response, unreadable.status, unreadable.message)
  const path = (request.url ?? '').split('?')[0] ?? ''
  if (path.startsWith(doorPaths.fonts)) return font(inside, path, response)
  if (path === doorPaths.pair) return pair(inside, request, response)
  // What a device has to read before it can ask with its cookie: a name and pictures.
  if (openToAll.test(path)) return inside.pass(request, response)
  const who = await whoAsks(inside, request, response)
  if (path === doorPaths.leave) return leave(inside, request, response, who)
  if (who.kind === 'device' && path !== doorPaths.page) {
    request.headers[deviceHeader] = who.device.id
    inside.pass(request, response)
    return noteUse(who.device, inside.now())
  }
  if (who.kind === 'device') return seeOther(response, '/')
  // A cookie of this strictness does not come along from another site: the page asks for itself once.
  if (isPage(request) && isFromElsewhere(request)) return html(response, 200, againPage(request.url ?? '/'))
  const isEnded = who.kind === 'ended'
  if (isPage(request)) return html(response, 401, codePage({ isEnded, onwards: onwardsOf(request.url) }))
  refuseIn(request, response, 401, isEnded ? ended : notLetIn)
}

async function whoAsks(inside: Inside, request: IncomingMessage, response: ServerResponse): Promise<Who> {
  const held = await sessionOf(inside, request, response)
  if (held.device === undefined) return { kind: 'nobody' }
  const device = await deviceAt(held.device)
  if (!device) return { kind: 'nobody' }
  return device.endedAt ? { kind: 'ended' } : { kind: 'device', device }
}

function sessionOf({ secret }: Inside, request: IncomingMessage, response: ServerResponse) {
  const options: SessionOptions = {
    cookieName: 'salt-shelf-device',
    password: secret,
    ttl: 0,
    cookieOptions: { httpOnly: true, secure: true, sameSite: 'strict', path: '/', maxAge: 400 * 86_400 },
  }
  return getIronSession<{ device?: string }>(request, response, options)
}

async function pair(inside: Inside, request: IncomingMessage, response: ServerResponse): Promise<void> {
  if (request.method !== 'POST') return seeOther(response, doorPaths.page)
  if (request.headers.origin !== inside.facts.origin)
    return tell(response, 403, 'This did not come from a page of Salt Shelf, so nothing was done.')
  const form = await formOf(request)
  if (!form) return tell(response, 413, 'This is no form of ours.')
  const onwards = onwardsOf(form.get('onwards') ?? '/')
  const again = (status: number, refusal: Refusal) =>
    html(response, status, codePage({ refusal, onwards, name: (form.get('name') ?? '').slice(0, 60) }))
  if (!inside.tries.mayTry(request.socket.remoteAddress ?? '', inside.now().getTime()))
    return again(429, {
      code: 'too-many',
      message: 'Too many tries. Wait a minute, then type the code again.',
    })
  const name = (form.get('name') ?? '').replaceAll(/[\p{C}\p{Zl}\p{Zp}]/gu, '').trim()
  if (name === '' || name.length > 60)
    return again(422, { code: 'name', message: 'Say what this device is called, in at most 60 letters.' })
  const device = await letIn((form.get('code') ?? '').slice(0, 40), name, inside.now())
  if (!device.ok) return again(422, device.refusal)
  const held = await sessionOf(inside, request, response)
  held.device = device.value
  await held.save()
  seeOther(response, onwards)
}

async function leave(
  inside: Inside,
  request: IncomingMessage,
  response: ServerResponse,
  who: Who,
): Promise<void> {
  if (request.method !== 'POST' || request.headers.origin !== inside.facts.origin)
    return tell(response, 403, 'This did not come from a page of Salt Shelf, so nothing was done.')
  if (who.kind === 'device') await endDevice(who.device.id, inside.now())
  const held = await sessionOf(inside, request, response)
  held.destroy()
  seeOther(response, doorPaths.page)
}

/** A font of the door's own pages. */
export async function font(
  { fonts }: Pick<Inside, 'fonts'>,
  path: string,
  response: ServerResponse,
): Promise<void> {
  const file = fonts[path.slice(doorPaths.fonts.length)]
  const bytes = file === undefined ? null : await readFile(file).catch(() => null)
  if (!bytes) return tell(response, 404, 'There is no such font.')
  response.setHeader('cache-control', 'public, max-age=31536000')
  send(response, 200, 'font/woff2', bytes)
}

const notLetIn: Refusal = {
  code: 'not-let-in',
  message: 'This device is not let in. Open Salt Shelf on it and type a code from the shelf.',
}
const ended: Refusal = {
  code: 'not-let-in',
  message:
    'On the shelf somebody ended what this device was let in for. What you changed stays here until it is let in again.',
}

/** Told to whoever asks for another host. */
export function notThis({ headers }: IncomingMessage): string {
  return `Salt Shelf does not answer as “${headers.host ?? ''}” here.`
}

function isFromElsewhere({ headers }: IncomingMessage): boolean {
  return headers['sec-fetch-site'] === 'cross-site' || headers['sec-fetch-site'] === 'same-site'
}

/** Where to go after the door: an address of ours, never of another site. */
function onwardsOf(url: string | undefined): string {
  const isOurs = url !== undefined && /^\/(?![/\\])[\x21-\x7e]*$/.test(url) && !url.includes('\\')
  return isOurs && !url.startsWith('/door') && url.length < 500 ? url : '/'
}

async function formOf(request: IncomingMessage): Promise<URLSearchParams | null> {
  if (!/^application\/x-www-form-urlencoded\b/.test(request.headers['content-type'] ?? '')) return null
  let text = ''
  for await (const part of request) {
    text += String(part)
    if (text.length > 4000) return null
  }
  return new URLSearchParams(text)
}
