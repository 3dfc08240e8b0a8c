import { lookup } from 'node:dns/promises'
import { isIP } from 'node:net'
import { networkInterfaces, type NetworkInterfaceInfo } from 'node:os'
import { ok, refuse, type Result } from '@/core/result'

/** Where Salt Shelf is shared: what devices ask for, and the address of this machine that it leads to. */
export interface SharedAt {
  readonly name: string
  readonly address: string
}

/** The network addresses of this machine, as the system lists them. */
export type Interfaces = Readonly<Record<string, readonly NetworkInterfaceInfo[] | undefined>>

/** The addresses at which other devices may reach this machine. */
export function addressesOf(interfaces: Interfaces): readonly string[] {
  return Object.values(interfaces)
    .flatMap((list) => list ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80:'))
    .map(({ address }) => address)
}

/**
 * The address to share on: the one asked for, an address or a name of this machine; without one the only one there is.
 * Refuses what is not this machine's, what would mean every network at once, and a choice that nobody made.
 */
export async function chooseAddress(
  asked: string,
  interfaces: Interfaces = networkInterfaces(),
  look: (name: string) => Promise<readonly string[]> = addressesBehind,
): Promise<Result<SharedAt>> {
  const mine = addressesOf(interfaces)
  const local = Object.values(interfaces).flatMap((list) => (list ?? []).map(({ address }) => address))
  const there = mine.length === 0 ? 'It has none that other devices reach.' : `It has: ${mine.join(', ')}.`
  if (asked === '') {
    const [only, ...others] = mine.filter((one) => isIP(one) === 4)
    if (only !== undefined && others.length === 0) return ok({ name: only, address: only })
    return refuse('choose', `Say at which address of this machine to share. ${there}`, '--share')
  }
  if (['0.0.0.0', '::', '*'].includes(asked))
    return refuse(
      'everywhere',
      `“${asked}” means every network at once. Choose one address. ${there}`,
      '--share',
    )
  if (asked.includes('%') || asked.toLowerCase().startsWith('fe80:'))
    return refuse(
      'zone',
      `Devices cannot ask for “${asked}”: it means another machine on each network. ${there}`,
      '--share',
    )
  if (isIP(asked))
    return isHere(asked, local)
      ? ok({ name: asked, address: asked })
      : refuse('not-here', `${asked} is no address of this machine. ${there}`, '--share')
  if (!/^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i.test(asked) || asked.length > 200)
    return refuse(
      'no-address',
      `“${asked}” is neither an address nor a name of this machine. ${there}`,
      '--share',
    )
  const behind = await look(asked)
  const address = behind.find((one) => isHere(one, local))
  if (address !== undefined) return ok({ name: asked.toLowerCase(), address })
  const leads =
    behind.length === 0 ? 'leads nowhere' : `leads to ${behind.join(', ')}, which is not this machine`
  return refuse('not-here', `The name “${asked}” ${leads}. ${there}`, '--share')
}

/** Whether an address is among those of this machine; with one of the loopback, all of it is. */
export function isHere(address: string, addresses: readonly string[]): boolean {
  const isLoopback = /^127\.\d+\.\d+\.\d+$/.test(address)
  return addresses.includes(address) || (isLoopback && addresses.includes('127.0.0.1'))
}

/** A host as it stands in an address line. */
export function hostOf(name: string, port: number): string {
  const host = isIP(name) === 6 ? `[${name}]` : name
  return port === 443 ? host : `${host}:${port}`
}

async function addressesBehind(name: string): Promise<readonly string[]> {
  try {
    return (await lookup(name, { all: true })).map(({ address }) => address)
  } catch {
    return []
  }
}
