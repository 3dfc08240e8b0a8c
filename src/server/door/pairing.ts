import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto'
import { ok, refuse, type Result } from '@/core/result'
import { query, transaction } from '../db'

/** How long a code lets a device in, in minutes, and how many wrong ones are taken for it. */
export const codeMinutes = 10
export const codeTries = 5

/** The figures of a code, and how many. */
const figures = '23456789CDFGHJKMNPQRTVWXYZ'
const length = 8

/** A code to be typed on the device that is let in; it is told once, and kept nowhere. */
export interface PairingCode {
  readonly code: string
  readonly endsAt: Date
}

/** Makes a code; one made before, and not used, ends. */
export async function makeCode(now: Date): Promise<PairingCode> {
  const code = Array.from({ length }, () => figures[randomInt(figures.length)]).join('')
  const salt = randomBytes(16).toString('hex')
  const endsAt = new Date(now.getTime() + codeMinutes * 60_000)
  await transaction(async (client) => {
    await client.query('lock table pairing_codes in exclusive mode')
    await client.query('update pairing_codes set given_up = true where used_by is null and not given_up')
    await client.query(`delete from pairing_codes where made_at < $1::timestamptz - interval '1 day'`, [now])
    await client.query(
      'insert into pairing_codes (salt, digest, made_at, ends_at, tries_left) values ($1, $2, $3, $4, $5)',
      [salt, digestOf(code, salt), now, endsAt, codeTries],
    )
  })
  return { code: `${code.slice(0, 4)} ${code.slice(4)}`, endsAt }
}

interface CodeRow {
  readonly id: string
  readonly salt: string
  readonly digest: string
  readonly ends_at: Date
  readonly tries_left: number
  readonly used_by: string | null
  readonly given_up: boolean
}

/**
 * Lets a device in with a code: gives the id of the device. Refuses a wrong code, one that was used, ran out or was followed
 * by a newer one, and every code once too many were wrong; each try is counted before it is answered.
 */
export function letIn(typed: string, name: string, now: Date): Promise<Result<string>> {
  const code = typed.toUpperCase().replaceAll(/[^0-9A-Z]/g, '')
  return transaction(async (client) => {
    const { rows } = await client.query<CodeRow>(
      'select * from pairing_codes order by made_at desc, id limit 20 for update',
    )
    const isOpen = (row: CodeRow) => row.used_by === null && !row.given_up && row.ends_at > now
    const open = rows.find((row) => isOpen(row) && row.tries_left > 0)
    const typedOne = rows.find((row) => isSame(row.digest, digestOf(code, row.salt)))
    if (open && typedOne === open) {
      const device = await client.query<{ id: string }>(
        'insert into devices (name, let_in_at, last_used_at) values ($1, $2, $2) returning id',
        [name, now],
      )
      const id = device.rows[0]?.id ?? ''
      await client.query('update pairing_codes set used_by = $2 where id = $1', [open.id, id])
      return ok(id)
    }
    if (open)
      await client.query('update pairing_codes set tries_left = tries_left - 1 where id = $1', [open.id])
    return refuseCode(typedOne, open ? open.tries_left - 1 : 0)
  })
}

function refuseCode(typed: CodeRow | undefined, triesLeft: number): Result<never> {
  if (typed && typed.used_by !== null)
    return refuse(
      'code-used',
      'This code has let a device in already. Each code does so once: ask for a new one on the shelf.',
      'code',
    )
  if (typed?.given_up) return refuse('code-old', 'A newer code was made since. Type that one.', 'code')
  if (typed && typed.tries_left > 0)
    return refuse(
      'code-old',
      `This code has run out: it holds for ${codeMinutes} minutes. Ask for a new one on the shelf.`,
      'code',
    )
  if (triesLeft <= 0) return refuse('no-code', 'No code is open now. Ask for a new one on the shelf.', 'code')
  const left = triesLeft === 1 ? 'One more try' : `${triesLeft} more tries`
  return refuse('code-wrong', `This is not the code. ${left}, then a new one is needed.`, 'code')
}

/** The state of the newest code, for the shelf: until when it is open, or null. */
export async function openCodeUntil(now: Date): Promise<Date | null> {
  const [row] = await query<{ ends_at: Date }>(
    'select ends_at from pairing_codes where used_by is null and not given_up and tries_left > 0 and ends_at > $1 order by made_at desc limit 1',
    [now],
  )
  return row?.ends_at ?? null
}

function digestOf(code: string, salt: string): string {
  return createHash('sha256').update(`${salt} ${code}`).digest('hex')
}

function isSame(one: string, other: string): boolean {
  return timingSafeEqual(Buffer.from(one), Buffer.from(other))
}
