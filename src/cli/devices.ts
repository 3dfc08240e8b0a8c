import { ok, refuse, type Result } from '@/core/result'
import { done, refused, type Command, type Options } from './command'

/** Where an application of this machine answers, unless told otherwise. */
const usual = 'http://127.0.0.1:4178'

interface DeviceLine {
  readonly id: string
  readonly name: string
  readonly letInAt: string
  readonly lastUsedAt: string
}

/** `devices`: who reaches the running application besides this machine. */
export const listDevices: Command = {
  name: 'devices',
  usage: 'devices [--at ADDRESS]',
  summary: 'list the devices let in to the running application, and where others ask to be',
  options: { at: 'one' },
  operands: 0,
  async run(_operands, options) {
    const said = await ask<{
      devices: readonly DeviceLine[]
      door: { origin: string; plain: string; fingerprint: string; isReachable: boolean } | null
    }>(options, '/api/devices')
    if (!said.ok) return refused(said.refusal)
    const { devices, door } = said.value
    const lines = [
      ...(door
        ? [
            `Shared at ${door.origin}${door.isReachable ? '' : ', which is not this machine’s address now'}`,
            `Certificate: ${door.plain}  SHA-256 ${door.fingerprint}`,
          ]
        : ['Not shared: only this machine reaches it.']),
      ...devices.map(({ id, name, lastUsedAt }) => `${id}  ${name}, last used ${lastUsedAt}`),
      ...(devices.length === 0 ? ['No device is let in.'] : []),
    ]
    // The picture for the shelf is nothing for a script.
    const told = door && { ...door, picture: undefined }
    return done(lines.join('\n'), { door: told, devices })
  },
}

/** `device let-in`: a code by which one device is let in. */
export const letDeviceIn: Command = {
  name: 'device let-in',
  usage: 'device let-in [--at ADDRESS]',
  summary: 'make a code by which one device is let in to the running application',
  options: { at: 'one' },
  operands: 0,
  async run(_operands, options) {
    const said = await ask<{ code: string; endsAt: string }>(options, '/api/devices', 'POST')
    if (!said.ok) return refused(said.refusal)
    const { code, endsAt } = said.value
    return done(`Type this on the device: ${code}\nIt lets one device in, until ${endsAt}.`, { code, endsAt })
  },
}

/** `device end DEVICE`: a device gets nothing more. */
export const endDevice: Command = {
  name: 'device end',
  usage: 'device end DEVICE [--at ADDRESS]',
  summary: 'end what a device was let in for, by its id',
  options: { at: 'one' },
  operands: 1,
  async run([id = ''], options) {
    const path = `/api/devices/${encodeURIComponent(id)}`
    const said = await ask<{ device: DeviceLine }>(options, path, 'POST')
    if (!said.ok) return refused(said.refusal)
    const { device } = said.value
    return done(`${device.name} gets nothing more.`, { device })
  },
}

/** Asks the running application; only one on this machine's loopback is asked. */
async function ask<T>({ at = [] }: Options, path: string, method = 'GET'): Promise<Result<T>> {
  const address = at[0] ?? usual
  const origin = loopbackOrigin(address)
  if (origin === null)
    return refuse('outside', `“${address}” is no address of this machine such as ${usual}.`, '--at')
  const headers = { origin, 'content-type': 'application/json' }
  const request = method === 'GET' ? {} : { method, headers, body: '{}' }
  try {
    const response = await fetch(`${origin}${path}`, { ...request, signal: AbortSignal.timeout(10_000) })
    const said = (await response.json()) as T & {
      refusal?: { code: string; message: string; where?: string }
    }
    return said.refusal ? { ok: false, refusal: said.refusal } : ok(said)
  } catch {
    return refuse('unreachable', `No Salt Shelf answers at ${origin}. Start it: npm run demo`, '--at')
  }
}

function loopbackOrigin(address: string): string | null {
  try {
    const { protocol, hostname, origin } = new URL(address)
    const isHere = ['127.0.0.1', 'localhost', '[::1]'].includes(hostname)
    return protocol === 'http:' && isHere ? origin : null
  } catch {
    return null
  }
}
