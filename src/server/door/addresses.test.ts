import { describe, expect, it } from 'vitest'
import { addressesOf, chooseAddress, hostOf, type Interfaces } from './addresses'

const at = (...addresses: string[]): Interfaces => ({
  lo: [{ address: '127.0.0.1', internal: true }] as never,
  net: addresses.map((address) => ({ address, internal: false })) as never,
})
const nowhere = () => Promise.resolve([])

describe('where Salt Shelf is shared', () => {
  it('is the only address of this machine where none is said', async () => {
    const only = { ok: true, value: { name: '192.168.1.20', address: '192.168.1.20' } }
    expect(await chooseAddress('', at('192.168.1.20', 'fe80::1', 'fd00::7'), nowhere)).toEqual(only)
  })

  it('has to be said where there are several, or none', async () => {
    const several = await chooseAddress('', at('192.168.1.20', '10.0.0.3'), nowhere)
    expect(several).toMatchObject({ ok: false, refusal: { code: 'choose' } })
    expect(several.ok ? '' : several.refusal.message).toContain('192.168.1.20, 10.0.0.3')
    expect(await chooseAddress('', at(), nowhere)).toMatchObject({ ok: false, refusal: { code: 'choose' } })
  })

  it('can be a name that leads to this machine', async () => {
    const look = (name: string) => Promise.resolve(name === 'theatre.local' ? ['10.0.0.3'] : ['10.0.0.4'])
    const mine = at('10.0.0.3')
    expect(await chooseAddress('Theatre.local', mine, (name) => look(name.toLowerCase()))).toEqual({
      ok: true,
      value: { name: 'theatre.local', address: '10.0.0.3' },
    })
    expect(await chooseAddress('other.local', mine, look)).toMatchObject({ refusal: { code: 'not-here' } })
  })

  it.each([
    ['0.0.0.0', 'everywhere'],
    ['::', 'everywhere'],
    ['*', 'everywhere'],
    ['fe80::1', 'zone'],
    ['fe80::1%eth0', 'zone'],
    ['192.168.1.21', 'not-here'],
    ['no such name', 'no-address'],
    ['-x.local', 'no-address'],
    ['nowhere.local', 'not-here'],
  ])('is never %s: %s', async (asked, code) => {
    expect(await chooseAddress(asked, at('192.168.1.20'), nowhere)).toMatchObject({ refusal: { code } })
  })

  it('is written as it stands in an address line', () => {
    expect([hostOf('10.0.0.3', 4179), hostOf('fd00::7', 4179), hostOf('theatre.local', 443)]).toEqual([
      '10.0.0.3:4179',
      '[fd00::7]:4179',
      'theatre.local',
    ])
    expect(addressesOf(at('10.0.0.3'))).toEqual(['10.0.0.3'])
  })
})
