import { ok, refuse, type Result } from '@/core/result'
import { isUuid, query } from '../db'

/** A device that was let in. */
export interface Device {
  readonly id: string
  readonly name: string
  readonly letInAt: Date
  readonly lastUsedAt: Date
  readonly endedAt: Date | null
}

interface Row {
  readonly id: string
  readonly name: string
  readonly let_in_at: Date
  readonly last_used_at: Date
  readonly ended_at: Date | null
}

const deviceOf = (row: Row): Device => ({
  ...{ id: row.id, name: row.name, letInAt: row.let_in_at },
  ...{ lastUsedAt: row.last_used_at, endedAt: row.ended_at },
})

/** The devices that are let in, used last first. */
export async function listDevices(): Promise<readonly Device[]> {
  const rows = await query<Row>('select * from devices where ended_at is null order by last_used_at desc, id')
  return rows.map(deviceOf)
}

/** A device by its id, let in or ended; null where there never was one. */
export async function deviceAt(id: string): Promise<Device | null> {
  if (!isUuid(id)) return null
  const [row] = await query<Row>('select * from devices where id = $1', [id])
  return row ? deviceOf(row) : null
}

/** Ends what a device was let in for: its next request gets nothing. */
export async function endDevice(id: string, now: Date): Promise<Result<Device>> {
  const [row] = isUuid(id)
    ? await query<Row>('update devices set ended_at = coalesce(ended_at, $2) where id = $1 returning *', [
        id,
        now,
      ])
    : []
  return row ? ok(deviceOf(row)) : refuse('unknown-device', 'There is no such device.', 'device')
}

/** Notes that a device was there: at most once a minute, so that reading costs no writing. */
export async function noteUse(device: Device, now: Date): Promise<void> {
  if (now.getTime() - device.lastUsedAt.getTime() < 60_000) return
  await query('update devices set last_used_at = $2 where id = $1 and last_used_at < $2', [device.id, now])
}
