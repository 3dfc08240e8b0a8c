import { createServer, connect, type TLSSocket } from 'node:tls'
import { X509Certificate } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import {
  certify,
  chainOf,
  fingerprintOf,
  isDue,
  isPrivate,
  makeAuthority,
  vouchesFor,
  type Authority,
  type Certified,
} from './authority'

const now = new Date('2026-11-29T12:00:00Z')
const later = (days: number) => new Date(now.getTime() + days * 86_400_000)

/** Whether a device that trusts the authority accepts a server at `name` with this certificate; else why not. */
async function accepted(authority: Authority, certified: Certified, name: string): Promise<string> {
  const server = createServer({ cert: chainOf(certified, authority), key: certified.key })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const address = server.address()
  const port = typeof address === 'object' ? (address?.port ?? 0) : 0
  const words = await new Promise<string>((resolve) => {
    const socket: TLSSocket = connect(
      { port, host: '127.0.0.1', ca: authority.certificate, ...asked(name) },
      () => {
        resolve('accepted')
        socket.end()
      },
    )
    socket.on('error', (error: NodeJS.ErrnoException) => resolve(`${error.code} ${error.message}`))
  })
  server.close()
  return words
}

/** Node checks an address against the host it connects to, a name against the one it asks for. */
function asked(name: string) {
  return /^[\d.]+$/.test(name) ? { host: name } : { servername: name }
}

describe('the authority of this machine', () => {
  it('vouches for a server at its own address or name, and for that alone', async () => {
    const authority = await makeAuthority([], new Date())
    const certificate = await certify(authority, '127.0.0.1', new Date())
    expect(await accepted(authority, certificate, '127.0.0.1')).toBe('accepted')
    const named = await certify(authority, 'theatre.local', new Date())
    expect(await accepted(authority, named, 'theatre.local')).toBe('accepted')
    expect(await accepted(authority, named, 'other.local')).toContain('ERR_TLS_CERT_ALTNAME_INVALID')
  })

  it('can vouch for nothing outside the private networks, though somebody had its key', async () => {
    const authority = await makeAuthority(['192.0.2.2'], new Date())
    const bank = await certify(authority, 'bank.example', new Date())
    expect(await accepted(authority, bank, 'bank.example')).toContain('permitted subtree violation')
    expect(vouchesFor(authority, '192.0.2.2')).toBe(true)
    expect(vouchesFor(authority, '192.0.2.3')).toBe(false)
  })

  it('is not accepted by a device that trusts another authority', async () => {
    const [mine, other] = [await makeAuthority([], new Date()), await makeAuthority([], new Date())]
    const certificate = await certify(mine, '127.0.0.1', new Date())
    expect(await accepted({ ...other, extras: [] }, certificate, '127.0.0.1')).not.toBe('accepted')
  })

  it('is accepted by a device whose clock is an hour behind, and made anew before it runs out', async () => {
    const authority = await makeAuthority([], now)
    const certificate = await certify(authority, '10.0.0.7', now)
    const { validFrom } = new X509Certificate(certificate.certificate)
    expect(new Date(validFrom).getTime()).toBeLessThan(now.getTime() - 3_600_000)
    expect(isDue('certificate', certificate, later(59))).toBe(false)
    expect(isDue('certificate', certificate, later(61))).toBe(true)
    expect(isDue('authority', authority, later(3500))).toBe(false)
    expect(isDue('authority', authority, later(3600))).toBe(true)
  })

  it('shows its fingerprint as devices do', async () => {
    const authority = await makeAuthority([], now)
    expect(fingerprintOf(authority)).toBe(new X509Certificate(authority.certificate).fingerprint256)
  })
})

describe('a private network', () => {
  it.each([
    '10.1.2.3',
    '172.16.0.1',
    '172.31.255.255',
    '192.168.178.20',
    '169.254.3.4',
    'fd12::1',
    'shelf.local',
    'shelf.home.arpa',
  ])('has %s in it', (name) => expect(isPrivate(name)).toBe(true))
  it.each(['8.8.8.8', '172.32.0.1', '192.169.0.1', '2001:db8::1', 'shelf.example', 'notlocal'])(
    'does not have %s in it',
    (name) => expect(isPrivate(name)).toBe(false),
  )
})
