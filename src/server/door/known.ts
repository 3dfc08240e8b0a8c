import qrcode from 'qrcode'
import { deviceAt, listDevices, type Device } from './devices'
import { doorNow } from './state'

const lineOf = ({ id, name, letInAt, lastUsedAt }: Device) => ({
  ...{ id, name },
  letInAt: letInAt.toISOString(),
  lastUsedAt: lastUsedAt.toISOString(),
})

/** Where other devices reach Salt Shelf, and which are let in; told on this machine. */
export async function sharedNow() {
  const door = doorNow()
  return {
    devices: (await listDevices()).map(lineOf),
    door: door && {
      ...{ origin: door.origin, plain: door.plain, fingerprint: door.fingerprint },
      isReachable: door.isReachable(),
      /** What leads to the certificate, as a picture. */
      picture: await qrcode.toDataURL(door.plain, { margin: 2, width: 340 }),
    },
  }
}

/** What a page shows of other devices: on this machine all of them; to a device that was let in, by its id, itself. */
export async function devicesKnown(asking: string | null) {
  const device = asking === null ? null : await deviceAt(asking)
  return device
    ? { kind: 'device' as const, device: lineOf(device) }
    : { kind: 'here' as const, ...(await sharedNow()) }
}
