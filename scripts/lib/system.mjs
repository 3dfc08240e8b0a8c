import { spawn } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { say, Stop } from './say.mjs'

/** The project's folder. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')

export const isRoot = process.getuid?.() === 0

/** Debian's Chromium, used by tests and pictures only. */
export const chromiumPath = '/usr/bin/chromium'

/** Programs that were started and have not ended: they end when this process is told to. */
const children = new Set()

/** Ends every program that was started here. */
export function endChildren() {
  for (const child of children) child.kill('SIGTERM')
}

/** Waits for a program to end; gives its exit code, or the name of the signal that ended it. */
export function ended(child) {
  children.add(child)
  return new Promise((resolve) =>
    child.once('exit', (code, signal) => {
      children.delete(child)
      resolve(code ?? signal)
    }),
  )
}

/** Runs a command to its end; throws a Stop that names it when it fails. */
export async function run(command, args, options = {}) {
  const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options })
  const failed = new Promise((resolve) => child.on('error', resolve))
  const how = await Promise.race([ended(child), failed])
  if (how instanceof Error) throw new Stop(`${command} could not be started: ${how.message}`)
  if (how !== 0) throw new Stop(`${command} ${args.join(' ')} ended with ${how}.`)
}

/** The folder with PostgreSQL's server programs, newest version first or of the version asked for, or null. */
export function postgresPrograms(version = null) {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a))
  const found = versions
    .filter((one) => version === null || one === version)
    .map((one) => join(base, one, 'bin'))
    .find((bin) => existsSync(join(bin, 'initdb')))
  return found ?? null
}

/** Makes sure Debian packages are there: installs them when root, else says which line to type. */
export async function ensureDebian(wanted) {
  const present = {
    postgresql: () => postgresPrograms() !== null,
    chromium: () => existsSync(chromiumPath),
    // Lets a browser trust an authority that a test makes.
    'libnss3-tools': () => existsSync('/usr/bin/certutil'),
  }
  const missing = wanted.filter((name) => !present[name]())
  if (missing.length === 0) return say(`System packages are there: ${wanted.join(', ')}`)
  const line = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (!isRoot)
    throw new Stop(`These Debian packages are missing. Type this line, then start again:\n\n    sudo ${line}`)
  say(`Installing Debian packages: ${missing.join(', ')}`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  await run('apt-get', ['update', '-qq'], { env, stdio: ['ignore', 'ignore', 'inherit'] })
  await run('apt-get', line.split(' ').slice(1), { env, stdio: ['ignore', 'ignore', 'inherit'] })
}

/** Runs a TypeScript file of the project. */
export function runTypeScript(file, args, env) {
  return run(process.execPath, ['--import', 'tsx', join(root, file), ...args], {
    env: { ...process.env, ...env },
  })
}

/** A port that a person chose, as a number; refuses what is none, and those that browsers will not open. */
export function portFrom(name, usual) {
  const text = process.env[name]
  if (text === undefined || text === '') return usual
  const port = /^\d{1,5}$/.test(text) ? Number(text) : 0
  if (port < 1 || port > 65_535) throw new Stop(`${name} is “${text}”; a port is a number from 1 to 65535.`)
  if (blockedByBrowsers.has(port))
    throw new Stop(`${name} is ${port}, a port that browsers refuse to open. Choose another, such as 4178.`)
  return port
}

/** The ports that browsers refuse, by the standard of fetch. */
const blockedByBrowsers = new Set([
  ...[
    1, 7, 9, 11, 13, 15, 17, 19, 20, 21, 22, 23, 25, 37, 42, 43, 53, 69, 77, 79, 87, 95, 101, 102, 103, 104,
    109, 110,
  ],
  ...[
    111, 113, 115, 117, 119, 123, 135, 137, 139, 143, 161, 179, 389, 427, 465, 512, 513, 514, 515, 526, 530,
    531, 532,
  ],
  ...[
    540, 548, 554, 556, 563, 587, 601, 636, 989, 990, 993, 995, 1719, 1720, 1723, 2049, 3659, 4045, 4190,
    5060, 5061,
  ],
  ...[6000, 6566, 6665, 6666, 6667, 6668, 6669, 6679, 6697, 10_080],
])

/** True when nothing listens on this loopback port. */
export function portIsFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
}

/** A loopback port that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
