import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { request as plainRequest, type IncomingHttpHeaders, type IncomingMessage } from 'node:http'
import { request as secureRequest } from 'node:https'
import { connect as connectTls } from 'node:tls'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest'
import { must } from '@/core/result'
import { freePort } from '../../../scripts/lib/system.mjs'
import { closePool, query } from '../db'
import { endDevice, listDevices } from './devices'
import { openDoor, type Door } from './door'
import { fileOf } from './keeping'
import { makeCode } from './pairing'

interface Said {
  readonly status: number
  readonly headers: IncomingHttpHeaders
  readonly text: string
}

let home = ''
let door: Door
let port = 0
let clock = new Date()
let addresses: readonly string[] = ['127.0.0.1']
/** Whether the device holds the certificate against its own clock and the authority. */
let isStrict = true
/** What came through the door. */
let passed: IncomingMessage[] = []
let authority = ''

const opened = () =>
  openDoor({
    at: { name: '127.0.0.1', address: '127.0.0.1' },
    ...{ port, home, fonts: {} },
    unreadable: ({ method }) =>
      method === 'TRACE' ? { status: 405, message: 'TRACE is not answered.' } : null,
    pass: (request, response) => {
      passed.push(request)
      response.end('behind the door')
    },
    now: () => clock,
    interfaces: () => ({ eth0: addresses.map((address) => ({ address, internal: false }) as never) }),
  })

beforeEach(async () => {
  await query('delete from pairing_codes')
  await query('delete from devices')
  home = mkdtempSync(join(tmpdir(), 'salt-shelf-door-'))
  port = await freePort()
  clock = new Date()
  passed = []
  addresses = ['127.0.0.1']
  isStrict = true
  door = must(await opened())
  authority = (JSON.parse(readFileSync(fileOf(home), 'utf8')) as { authority: { certificate: string } })
    .authority.certificate
})
afterEach(async () => {
  await door.close()
  rmSync(home, { recursive: true, force: true })
})
afterAll(closePool)

/** Asks the door as a device does that trusts its authority; `plain` without TLS. */
function ask(
  path: string,
  {
    method = 'GET',
    headers = {},
    body = '',
    isPlain = false,
  }: { method?: string; headers?: Record<string, string>; body?: string; isPlain?: boolean } = {},
): Promise<Said> {
  return new Promise((resolve, reject) => {
    const options = { host: '127.0.0.1', port, path, method, headers, agent: false as const }
    const take = (response: IncomingMessage) => {
      let text = ''
      response.on('data', (part) => (text += String(part)))
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }))
    }
    const asking = isPlain ? plainRequest(options, take) : secureRequest({ ...options, ...trust() }, take)
    asking.on('error', reject)
    asking.end(body)
  })
}

/** A device checks the authority; that a host is asked for which the certificate does not name, only here. */
const trust = () => ({ ca: authority, rejectUnauthorized: isStrict, checkServerIdentity: () => undefined })
const origin = () => `https://127.0.0.1:${port}`
const page = { accept: 'text/html', 'sec-fetch-mode': 'navigate', 'sec-fetch-site': 'none' }

/** Types a code on a device. */
function type(code: string, name = 'My phone', more: Record<string, string> = {}): Promise<Said> {
  return ask('/door/pair', {
    method: 'POST',
    headers: { origin: origin(), 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ code, name, onwards: '/walks/one', ...more }).toString(),
  })
}

/** A device that was let in: its cookie. */
async function letIn(name = 'My phone'): Promise<string> {
  const { code } = await makeCode(clock)
  const said = await type(code, name)
  expect(said.status).toBe(303)
  return cookieOf(said)
}

const cookieOf = ({ headers }: Said) =>
  (headers['set-cookie'] ?? []).map((one) => one.split(';')[0]).join('; ')
const minutes = (count: number) => {
  clock = new Date(clock.getTime() + count * 60_000)
}

describe('a device that nobody let in', () => {
  it('gets the question for a code in the place of a page, and a refusal in the place of anything else', async () => {
    const shown = await ask('/plans/one/controls', { headers: page })
    expect([shown.status, shown.text.includes('Let this device in')]).toEqual([401, true])
    expect(shown.text).toContain('value="/plans/one/controls"')
    const refused = await ask('/api/shelf')
    expect(refused.status).toBe(401)
    expect(JSON.parse(refused.text)).toMatchObject({ kind: 'refused', refusal: { code: 'not-let-in' } })
    expect((await ask('/_next/static/chunks/one.js')).status).toBe(401)
    expect((await ask('/api/plans', { method: 'POST', headers: { origin: origin() } })).status).toBe(401)
    expect(passed).toEqual([])
  })

  it('gets only what a device reads before it can ask with its cookie', async () => {
    for (const path of ['/manifest.webmanifest', '/icons/icon-192.png'])
      expect((await ask(path)).status).toBe(200)
    expect(passed.map(({ url }) => url)).toEqual(['/manifest.webmanifest', '/icons/icon-192.png'])
    for (const path of [
      ...[
        '/icons/../api/shelf',
        '/icons/%2e%2e/api/shelf',
        '/icons/..%2fapi/shelf',
        '/icons/a.png/../../api/shelf',
      ],
      ...['/manifest.webmanifest/../api/shelf', '/door/fonts/../../api/shelf', '/ICONS/a.png', '/icons/'],
    ])
      expect([path, [401, 404].includes((await ask(path)).status)]).toEqual([path, true])
    expect(passed).toHaveLength(2)
  })

  it('gains nothing by a made-up cookie, or by saying that it is a device', async () => {
    const attempts: Record<string, string>[] = [
      { cookie: 'salt-shelf-device=Fe26.2*1*aa*bb*cc**dd*ee' },
      { cookie: 'salt-shelf-device=00000000-0000-4000-8000-000000000001' },
      { 'x-salt-shelf-device': '00000000-0000-4000-8000-000000000001' },
      { 'x-forwarded-host': '127.0.0.1', 'x-middleware-subrequest': 'proxy' },
    ]
    for (const headers of attempts) expect((await ask('/api/shelf', { headers })).status).toBe(401)
    expect(passed).toEqual([])
  })

  it('is not answered under a foreign host name or address', async () => {
    for (const host of ['evil.example', `localhost:${port}`, '127.0.0.1', `127.0.0.2:${port}`]) {
      expect((await ask('/', { headers: { host } })).status).toBe(421)
      expect((await ask('/', { headers: { host }, isPlain: true })).status).toBe(421)
    }
  })

  it('asks once more where another site led it here without its cookie', async () => {
    const said = await ask('/walks/one', { headers: { ...page, 'sec-fetch-site': 'cross-site' } })
    expect([said.status, said.text.includes('url=/walks/one')]).toEqual([200, true])
  })
})

describe('plain HTTP at the port of the door', () => {
  it('gets the certificate, its fingerprint and how to trust it, and nothing else', async () => {
    const trust = await ask('/', { isPlain: true })
    expect(trust.status).toBe(200)
    expect(trust.text.replaceAll('<wbr>', '')).toContain(door.state.fingerprint)
    const certificate = await ask('/salt-shelf.crt', { isPlain: true })
    expect(certificate.headers['content-type']).toBe('application/x-x509-ca-cert')
    for (const path of ['/api/shelf', '/plans/one', '/manifest.webmanifest', '/door/pair'])
      expect((await ask(path, { isPlain: true })).status).toBe(404)
    const { code } = await makeCode(clock)
    const posted = await ask('/door/pair', {
      ...{ isPlain: true, method: 'POST', body: `code=${code}&name=x` },
      headers: { origin: origin(), 'content-type': 'application/x-www-form-urlencoded' },
    })
    expect(posted.status).toBe(405)
    expect([passed, await listDevices()]).toEqual([[], []])
  })
})

describe('a code', () => {
  it('lets one device in, under its name, and leads it where it wanted to go', async () => {
    const { code } = await makeCode(clock)
    const said = await type(code.toLowerCase().replace(' ', '-'), ' Mara’s phone ')
    expect([said.status, said.headers.location]).toEqual([303, '/walks/one'])
    expect(said.headers['set-cookie']?.[0]).toMatch(/; HttpOnly/)
    expect(said.headers['set-cookie']?.[0]).toMatch(/; Secure/)
    expect(said.headers['set-cookie']?.[0]).toMatch(/; SameSite=Strict/)
    expect((await listDevices()).map(({ name }) => name)).toEqual(['Mara’s phone'])
    const behind = await ask('/api/shelf', { headers: { cookie: cookieOf(said) } })
    expect([behind.status, behind.text]).toEqual([200, 'behind the door'])
    expect(passed[0]?.headers['x-salt-shelf-device']).toBe((await listDevices())[0]?.id)
  })

  it('is refused once it was used, ran out, or was followed by a newer one, each in its own words', async () => {
    const first = await makeCode(clock)
    await type(first.code)
    expect((await type(first.code)).text).toContain('has let a device in already')
    const second = await makeCode(clock)
    minutes(11)
    expect((await type(second.code)).text).toContain('has run out')
    const third = await makeCode(clock)
    await makeCode(clock)
    expect((await type(third.code)).text).toContain('A newer code was made')
    expect(await listDevices()).toHaveLength(1)
  })

  it('is given up after five wrong ones, however right the next is', async () => {
    const { code } = await makeCode(clock)
    for (let left = 4; left >= 1; left--) {
      const { status, text } = await type('AAAA AAAA')
      expect([status, text.includes(left === 1 ? 'One more try' : `${left} more tries`)]).toEqual([422, true])
    }
    expect((await type('AAAA AAAA')).text).toContain('No code is open')
    expect((await type(code)).status).toBe(422)
    expect(await listDevices()).toEqual([])
  })

  it('is not found by a thousand tries: after the first few nobody looks any more', async () => {
    await makeCode(clock)
    const answers: Awaited<ReturnType<typeof type>>[] = []
    // Fifty in the same moment: more than a system holds waiting for a busy door are cut off unheard.
    for (let first = 2000; first < 3000; first += 50)
      answers.push(
        ...(await Promise.all(Array.from({ length: 50 }, (_, i) => type(`BCDF ${String(first + i)}`)))),
      )
    const by = (status: number) => answers.filter((one) => one.status === status).length
    expect([by(303), by(422) <= 8, by(429) >= 990]).toEqual([0, true, true])
    expect(await listDevices()).toEqual([])
    const [row] = await query<{ tries_left: number }>('select tries_left from pairing_codes')
    expect(row?.tries_left).toBe(0)
  })

  it('lets one device in though two type it in the same moment', async () => {
    const { code } = await makeCode(clock)
    const both = await Promise.all([type(code, 'One'), type(code, 'Two')])
    expect(both.map(({ status }) => status).sort()).toEqual([303, 422])
    expect(await listDevices()).toHaveLength(1)
  })

  it('is taken only from the page that asks for it, with a name', async () => {
    const { code } = await makeCode(clock)
    const headers = { origin: 'https://evil.example', 'content-type': 'application/x-www-form-urlencoded' }
    const foreign = await ask('/door/pair', { method: 'POST', headers, body: `code=${code}&name=x` })
    expect(foreign.status).toBe(403)
    expect((await type(code, ' \u0000 ')).status).toBe(422)
    expect((await type(code, 'x'.repeat(61))).status).toBe(422)
    for (const onwards of [
      'https://evil.example',
      '//evil.example',
      '/\\evil.example',
      '/a\r\nset-cookie: a=b',
    ]) {
      const next = await makeCode(clock)
      expect((await type(next.code, 'x', { onwards })).headers.location).toBe('/')
      minutes(1)
    }
  })
})

describe('a device that was let in', () => {
  it('gets nothing more from the moment it is ended, and is asked for a code', async () => {
    const cookie = await letIn()
    expect((await ask('/', { headers: { cookie } })).text).toBe('behind the door')
    await endDevice((await listDevices())[0]?.id ?? '', clock)
    passed = []
    const save = await ask('/api/walks/one/steps', { method: 'POST', headers: { cookie, origin: origin() } })
    expect(JSON.parse(save.text)).toMatchObject({ refusal: { code: 'not-let-in' } })
    expect((await ask('/', { headers: { ...page, cookie } })).text).toContain('This device was let go')
    expect((await ask('/_next/static/a.js', { headers: { cookie } })).status).toBe(401)
    expect(passed).toEqual([])
  })

  it('stays let in over a start of the application, and with a clock an hour ahead or behind', async () => {
    const cookie = await letIn()
    await door.close()
    for (const hours of [1, -2, 1]) {
      minutes(60 * hours)
      door = must(await opened())
      expect((await ask('/', { headers: { cookie } })).status).toBe(200)
      await door.close()
    }
    door = must(await opened())
  })

  it('leaves by itself, from our own page alone', async () => {
    const cookie = await letIn()
    const leave = (from: string) => ask('/door/leave', { method: 'POST', headers: { cookie, origin: from } })
    expect((await leave('https://evil.example')).status).toBe(403)
    expect((await ask('/', { headers: { cookie } })).status).toBe(200)
    expect((await leave(origin())).status).toBe(303)
    expect((await ask('/', { headers: { cookie } })).status).toBe(401)
    expect(await listDevices()).toEqual([])
  })

  it('is seen with its last use, noted at most once a minute', async () => {
    const cookie = await letIn()
    const used = async () => (await listDevices())[0]?.lastUsedAt.getTime()
    const first = await used()
    await ask('/', { headers: { cookie } })
    expect(await used()).toBe(first)
    minutes(5)
    await ask('/', { headers: { cookie } })
    await expect.poll(used).toBe(clock.getTime())
  })
})

describe('the door', () => {
  it('shows a certificate made anew before the former runs out, without being closed', async () => {
    const until = () =>
      new Promise<number>((resolve, reject) => {
        const socket = connectTls({ host: '127.0.0.1', port, rejectUnauthorized: false }, () => {
          resolve(new Date(socket.getPeerCertificate().valid_to).getTime())
          socket.end()
        })
        socket.on('error', reject)
      })
    const before = await until()
    minutes(60 * 24 * 40)
    await door.look()
    expect(await until()).toBe(before)
    minutes(60 * 24 * 30)
    await door.look()
    expect(await until()).toBeGreaterThan(before + 60 * 86_400_000)
  })

  it('keeps its authority for the next start, for its owner alone', async () => {
    const before = readFileSync(fileOf(home), 'utf8')
    expect(statSync(fileOf(home)).mode & 0o077).toBe(0)
    await door.close()
    door = must(await opened())
    expect([readFileSync(fileOf(home), 'utf8'), door.state.isNew]).toEqual([before, false])
  })

  it('refuses a damaged authority, and leaves it as it is', async () => {
    await door.close()
    writeFileSync(fileOf(home), '{"authority": {}}')
    const again = await opened()
    expect(again).toMatchObject({ ok: false, refusal: { code: 'damaged', where: fileOf(home) } })
    expect(readFileSync(fileOf(home), 'utf8')).toBe('{"authority": {}}')
    rmSync(fileOf(home))
    door = must(await opened())
  })

  it('makes an authority anew that is about to run out, and lets devices stay let in', async () => {
    const cookie = await letIn()
    await door.close()
    minutes(60 * 24 * 3600)
    door = must(await opened())
    expect(door.state.isNew).toBe(true)
    expect(readFileSync(fileOf(home), 'utf8')).not.toContain(authority.split('\n')[3])
    isStrict = false
    expect((await ask('/', { headers: { cookie } })).text).toBe('behind the door')
  })

  it('refuses a port that is taken', async () => {
    expect(await opened()).toMatchObject({ ok: false, refusal: { code: 'cannot-listen' } })
  })

  it('tells when its address is gone, and when it is back', async () => {
    expect(door.state.isReachable()).toBe(true)
    addresses = ['10.0.0.9']
    await door.look()
    expect(door.state.isReachable()).toBe(false)
    addresses = ['127.0.0.1']
    await door.look()
    expect(door.state.isReachable()).toBe(true)
  })
})
