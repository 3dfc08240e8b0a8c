import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { say, Stop } from './say.mjs'

/** The project's folder. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')

export const isRoot = process.getuid?.() === 0

/** Debian's Chromium, used by tests and pictures only. */
export const chromiumPath = '/usr/bin/chromium'

/** Runs a command to its end; throws a Stop that names it when it fails. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options })
    child.on('error', (error) => reject(new Stop(`${command} could not be started: ${error.message}`)))
    child.on('exit', (code, signal) => {
      if (code === 0) resolve()
      else reject(new Stop(`${command} ${args.join(' ')} ended with ${signal ?? code}.`))
    })
  })
}

/** The folder with PostgreSQL's server programs, newest version first, or null. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a))
  const found = versions
    .map((version) => join(base, version, 'bin'))
    .find((bin) => existsSync(join(bin, 'initdb')))
  return found ?? null
}

/** Makes sure Debian packages are there: installs them when root, else says which line to type. */
export async function ensureDebian(wanted) {
  const present = { postgresql: () => postgresPrograms() !== null, chromium: () => existsSync(chromiumPath) }
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

/** Installs npm packages when the lock file is not the one they were installed from. */
export async function ensureNpm() {
  const stamp = join(root, 'node_modules', '.salt-shelf-lock')
  const wanted = hashOf([readFileSync(join(root, 'package-lock.json'))])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return say('npm packages are up to date')
  say('Installing npm packages (a minute or two the first time)')
  await run('npm', ['ci', '--prefer-offline', '--no-audit', '--no-fund', '--loglevel=error'])
  writeFileSync(stamp, wanted)
}

/** Builds the application when its sources are not the ones last built. */
export async function ensureBuild() {
  const stamp = join(root, '.next', 'salt-shelf-build')
  const names = [
    'package-lock.json',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
    ...filesBelow('src'),
  ]
  const wanted = hashOf(
    names
      .filter((name) => !name.includes('.test.'))
      .flatMap((name) => [name, readFileSync(join(root, name))]),
  )
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return say('The build is up to date')
  say('Building the application (half a minute)')
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' }
  const built = spawnSync(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: root,
    env,
    encoding: 'utf8',
  })
  if (built.status !== 0) throw new Stop(`The build failed:\n${built.stdout}${built.stderr}`)
  writeFileSync(stamp, wanted)
}

/** Runs a TypeScript file of the project. */
export function runTypeScript(file, args, env) {
  return run(process.execPath, ['--import', 'tsx', join(root, file), ...args], {
    env: { ...process.env, ...env },
  })
}

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

function filesBelow(folder) {
  return readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name).slice(root.length + 1))
    .sort()
}

function hashOf(parts) {
  const hash = createHash('sha256')
  for (const part of parts) hash.update(part)
  return hash.digest('hex')
}
