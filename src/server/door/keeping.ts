import { randomBytes } from 'node:crypto'
import { chmod, mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { ok, refuse, type Result } from '@/core/result'
import { isDue, isPrivate, makeAuthority, vouchesFor, type Authority } from './authority'

/** What the door keeps with the data: its authority, and the secret that seals what devices hold. */
export interface Kept {
  readonly authority: Authority
  readonly secret: string
  /** Whether the authority was made just now: devices have to trust it before anything else. */
  readonly isNew: boolean
}

/** Where it lies below the home of the data; readable by its owner alone. */
export function fileOf(home: string): string {
  return join(home, 'share', 'authority.json')
}

/**
 * What is kept, or made now: an authority is made anew where it can not vouch for `name` or is about to run out. Refuses a
 * file that cannot be read, and leaves it as it is.
 */
export async function keptIn(home: string, name: string, now: Date): Promise<Result<Kept>> {
  const path = fileOf(home)
  const text = await readFile(path, 'utf8').catch((error: NodeJS.ErrnoException) => error)
  if (text instanceof Error && text.code !== 'ENOENT')
    return refuse('unreadable', `${path} cannot be read: ${text.message}`, path)
  const found = typeof text === 'string' ? read(text) : null
  if (typeof text === 'string' && !found)
    return refuse(
      'damaged',
      `${path} is damaged. Devices trust the authority in it: put it back from a copy, or move it away, and a new one is made that they have to trust again.`,
      path,
    )
  const isGood = found && vouchesFor(found.authority, name) && !isDue('authority', found.authority, now)
  if (isGood) return ok({ ...found, isNew: false })
  const extras = [...(found?.authority.extras ?? []), ...(isPrivate(name) ? [] : [name])]
  const made = {
    authority: await makeAuthority([...new Set(extras)], now),
    // Devices that are let in stay so.
    secret: found?.secret ?? randomBytes(32).toString('hex'),
  }
  try {
    await mkdir(dirname(path), { recursive: true, mode: 0o700 })
    await writeFile(`${path}.new`, JSON.stringify(made, null, 2), { mode: 0o600 })
    await chmod(`${path}.new`, 0o600)
    await rename(`${path}.new`, path)
  } catch (error) {
    const cause = error instanceof Error ? error.message : String(error)
    return refuse('unwritable', `The authority cannot be kept in ${path}: ${cause}`, path)
  }
  return ok({ ...made, isNew: true })
}

function read(text: string): { authority: Authority; secret: string } | null {
  try {
    const { authority, secret } = JSON.parse(text) as { authority: Authority; secret: string }
    const isWhole =
      typeof authority.certificate === 'string' &&
      typeof authority.key === 'string' &&
      Array.isArray(authority.extras) &&
      typeof secret === 'string' &&
      secret.length >= 64
    // A certificate that cannot be taken apart is none.
    return isWhole && vouchesFor(authority, '127.0.0.1') && !isDue('authority', authority, new Date(0))
      ? { authority, secret }
      : null
  } catch {
    return null
  }
}
