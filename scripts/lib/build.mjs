import { createHash } from 'node:crypto'
import { spawn } from 'node:child_process'
import {
  cpSync,
  existsSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { holding } from './instance.mjs'
import { packStatics } from './pack.mjs'
import { say, Stop } from './say.mjs'
import { ended, root, run } from './system.mjs'

/** How many builds are kept: the one in use, and those that servers still running may have been started from. */
const kept = 4

/** Installs npm packages when the lock file is not the one they were installed from; one process at a time. */
export function ensureNpm() {
  return holding(`tree ${root}`, waits, async () => {
    const stamp = join(root, 'node_modules', '.salt-shelf-lock')
    const wanted = hashOf([readFileSync(join(root, 'package-lock.json'))])
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return say('npm packages are up to date')
    say('Installing npm packages (a minute or two the first time)')
    await run('npm', ['ci', '--prefer-offline', '--no-audit', '--no-fund', '--loglevel=error'])
    writeFileSync(stamp, wanted)
  })
}

/**
 * Builds the application when its sources are not those of a build that is there, and gives the folder to serve it from.
 * Each build has a folder of its own: one that a server runs from is never written into.
 */
export function ensureBuild() {
  return holding(`tree ${root}`, waits, async () => {
    const wanted = sourcesHash().slice(0, 16)
    const folder = `.next-${wanted}`
    const path = join(root, folder)
    if (existsSync(join(path, 'BUILD_ID'))) {
      const now = new Date()
      utimesSync(path, now, now)
      say('The build is up to date')
      return folder
    }
    say('Building the application (half a minute)')
    await buildOrBuildAnew()
    const beside = `${path}-unfinished`
    rmSync(beside, { recursive: true, force: true })
    cpSync(join(root, '.next'), beside, {
      recursive: true,
      verbatimSymlinks: true,
      filter: (source) => !/\.next[/\\](cache|dev|types)$/.test(source),
    })
    await packStatics(join(beside, 'static'))
    // Loaded late: its packages are there only once they are installed.
    const { bundleBeside } = await import('./bundles.mjs')
    await bundleBeside(beside, wanted)
    renameSync(beside, path)
    dropOldBuilds(folder)
    return folder
  })
}

/** What a build that was killed left in its cache can break the next one: that is built from nothing then. */
async function buildOrBuildAnew() {
  const cache = join(root, '.next', 'cache')
  const cached = existsSync(cache)
  try {
    await build()
  } catch (error) {
    if (!cached) throw error
    rmSync(cache, { recursive: true, force: true })
    await build()
  }
}

async function build() {
  const next = join(root, 'node_modules/next/dist/bin/next')
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' }
  delete env.SALT_SHELF_BUILD
  const child = spawn(process.execPath, [next, 'build'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part))
  const how = await ended(child)
  if (how !== 0) throw new Stop(`The build failed (${how}):\n${said}`)
}

function dropOldBuilds(current) {
  const builds = readdirSync(root)
    .filter((name) => /^\.next-[0-9a-f]{16}$/.test(name) && name !== current)
    .sort((a, b) => statSync(join(root, b)).mtimeMs - statSync(join(root, a)).mtimeMs)
  for (const old of builds.slice(kept - 1)) rmSync(join(root, old), { recursive: true, force: true })
}

function waits(holder) {
  say(
    `Another command is installing or building here (process ${holder?.process ?? 'unknown'}); waiting for it`,
  )
}

function sourcesHash() {
  const names = [
    'package-lock.json',
    'next.config.ts',
    'postcss.config.mjs',
    'tsconfig.json',
    'scripts/lib/bundles.mjs',
    ...filesBelow('src'),
    ...filesBelow('public'),
  ]
  return hashOf(
    names
      .filter((name) => !name.includes('.test.'))
      .flatMap((name) => [name, readFileSync(join(root, name))]),
  )
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
