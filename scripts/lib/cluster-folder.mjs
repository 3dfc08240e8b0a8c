import { spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import {
  appendFileSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { postgresUser, program } from './postgres-programs.mjs'
import { say, Stop } from './say.mjs'
import { isRoot, postgresPrograms } from './system.mjs'

/** Makes the folder where a cluster is to live, and stops where nothing can be written there. */
export function makeFolder(home) {
  try {
    mkdirSync(home, { recursive: true, mode: 0o755 })
    const probe = join(home, `.writable-${process.pid}`)
    writeFileSync(probe, '')
    rmSync(probe)
  } catch (error) {
    throw new Stop(
      `Salt Shelf keeps its data in ${home}, and cannot write there (${error.code ?? error.message}).\n` +
        'Make the folder writable, or choose another: SALT_SHELF_HOME=~/salt-shelf npm run demo',
    )
  }
}

/** Started by root the database runs as another user, who must be able to enter the folder. */
export function refuseClosedFolder(home) {
  if (!isRoot) return
  const entered = spawnSync('runuser', ['-u', 'postgres', '--', 'test', '-x', home], { cwd: '/' })
  if (entered.status === 0) return
  throw new Stop(
    `The database runs as the user postgres, who may not enter ${home}.\n` +
      `Open the folder and those above it (chmod a+x), or choose another: SALT_SHELF_HOME=/var/lib/salt-shelf npm run demo`,
  )
}

/** Makes the cluster beside its place and moves it there when it is whole: one that was cut short is made anew. */
export function initialise(home, data) {
  say('Making a private database cluster')
  const beside = join(home, 'postgres-unfinished')
  rmSync(beside, { recursive: true, force: true })
  mkdirSync(beside, { mode: 0o700 })
  const password = keptPassword(home) ?? newPassword(home)
  const handedOver = join(home, 'initial')
  writeFileSync(handedOver, password, { mode: 0o600 })
  if (isRoot) {
    const { uid, gid } = postgresUser()
    chownSync(beside, uid, gid)
    chownSync(handedOver, uid, gid)
  }
  const made = program(null, 'initdb', [
    ...['-D', beside, '-U', 'shelf', '--pwfile', handedOver, '--auth=scram-sha-256', '--data-checksums'],
    ...['--encoding=UTF8', '--locale=C.UTF-8'],
  ])
  rmSync(handedOver, { force: true })
  if (made.status !== 0) {
    const full = /No space left on device/i.test(made.stderr)
      ? ' The disk is full: make room, then start again.'
      : ''
    throw new Stop(`The database cluster could not be made in ${home}.${full}\n${made.stderr}`)
  }
  const settings = [
    "listen_addresses = '127.0.0.1'",
    "unix_socket_directories = ''",
    "log_min_messages = 'warning'",
  ]
  appendFileSync(join(beside, 'postgresql.conf'), `\n${settings.join('\n')}\n`)
  rmSync(data, { recursive: true, force: true })
  renameSync(beside, data)
}

/** Stops before anything is touched where a folder holds less than a whole database. */
export function refuseBroken(data) {
  const missing = ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal', 'postgresql.conf'].filter(
    (name) => !existsSync(join(data, name)),
  )
  if (missing.length > 0) {
    throw new Stop(
      `The folder ${data} holds no whole database: ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing.\n` +
        'Nothing in it was touched. If you have a copy of the folder, put it back in its place. To begin anew and keep\n' +
        `what is there for later, move it away, then start again:\n\n    mv ${data} ${data}-damaged`,
    )
  }
  const version = readFileSync(join(data, 'PG_VERSION'), 'utf8').trim()
  if (postgresPrograms(version) === null) {
    throw new Stop(
      `The database in ${data} was made by PostgreSQL ${version}, which is not installed here.\n` +
        `Install it (postgresql-${version}), or move the folder away to begin anew; nothing in it was touched.`,
    )
  }
}

/** The password of the cluster; where its file is gone a new one is set, which changes nothing else in the database. */
export function readPassword(home, data, running) {
  const kept = keptPassword(home)
  if (kept !== null) return kept
  if (running !== null) {
    throw new Stop(
      `The password of the running database is missing: ${join(home, 'password')}.\n` +
        `Put the file back, or stop the database and start again, and a new one is set:\n\n    kill -INT $(head -1 ${join(data, 'postmaster.pid')})`,
    )
  }
  say('The password of the database is missing; a new one is set')
  const password = randomBytes(24).toString('hex')
  const set = program(
    data,
    'postgres',
    ['--single', '-D', data, 'postgres'],
    `alter role shelf password '${password}'\n`,
  )
  if (set.status !== 0)
    throw new Stop(
      `The password of the database in ${data} is missing, and none could be set:\n${set.stderr}`,
    )
  writeFileSync(join(home, 'password'), password, { mode: 0o600 })
  return password
}

function keptPassword(home) {
  const path = join(home, 'password')
  const text = existsSync(path) ? readFileSync(path, 'utf8').trim() : ''
  return text === '' ? null : text
}

function newPassword(home) {
  const password = randomBytes(24).toString('hex')
  writeFileSync(join(home, 'password'), password, { mode: 0o600 })
  return password
}

/** Clusters made by former releases have no checksums on their pages: they are added while it is shut down. */
export function ensureChecksums(data) {
  const control = program(data, 'pg_controldata', ['-D', data]).stdout ?? ''
  if (!/Data page checksum version:\s+0\b/.test(control)) return
  if (!/Database cluster state:\s+shut down\s*$/m.test(control)) return
  say('Adding checksums to the database')
  program(data, 'pg_checksums', ['--enable', '-D', data])
}
