import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Stop } from './say.mjs'
import { isRoot, postgresPrograms } from './system.mjs'

/** The port a cluster runs on, or null. */
export function runningPort(data) {
  if (pgCtl(data, ['status', '-D', data]).status !== 0) return null
  return Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[3])
}

/** The end of a log. */
export function lastLines(log) {
  try {
    return readFileSync(log, 'utf8').trimEnd().split('\n').slice(-8).join('\n')
  } catch {
    return '(there is no log)'
  }
}

/** Runs pg_ctl, which starts and stops a cluster. */
export function pgCtl(data, args) {
  return program(data, 'pg_ctl', args)
}

/** Runs one of PostgreSQL's programs, of the version that made the data. */
export function program(data, name, args, input = '') {
  const version = data === null ? null : readFileSync(join(data, 'PG_VERSION'), 'utf8').trim()
  const path = join(postgresPrograms(version), name)
  // What pg_ctl starts would keep a pipe open for as long as it lives.
  const out = name === 'pg_ctl' ? 'ignore' : 'pipe'
  const options = {
    cwd: '/',
    encoding: 'utf8',
    input,
    stdio: [name === 'pg_ctl' ? 'ignore' : 'pipe', out, out],
  }
  return isRoot
    ? spawnSync('runuser', ['-u', 'postgres', '--', path, ...args], options)
    : spawnSync(path, args, options)
}

/** Debian's user who runs databases that root starts. */
export function postgresUser() {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((entry) => entry.startsWith('postgres:'))
  if (!line) throw new Stop('Debian’s user postgres is missing; reinstall the package postgresql.')
  const [, , uid, gid] = line.split(':')
  return { uid: Number(uid), gid: Number(gid) }
}
