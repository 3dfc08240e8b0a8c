import { spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, root } from '../lib/system.mjs'
import { chanceFrom, comesTrue, sleep, type Chance, type Outcome } from './outcome'

/** A home for one demo, with ports of its own. */
interface Home {
  readonly folder: string
  readonly data: string
  readonly port: number
  readonly databasePort: number
  readonly address: string
}

/** A start of `npm run demo` under way. */
interface Start {
  readonly child: ChildProcess
  said(): string
  ended(): number | string | null
}

type Story = (home: Home, chance: Chance, wrong: (what: string) => void) => Promise<void>

/** Starts of the demo in every order, beside each other, cut short, on damaged folders: what it says, and what it leaves. */
export async function starts(tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const names = Object.keys(stories)
  const seen = new Map<string, number>()
  let home = await newHome()
  for (let i = 0; i < tries; i++) {
    const name = names[i % names.length] ?? ''
    const before = failures.length
    await stories[name]?.(home, chance, (what) => failures.push(`${name}: ${what}`))
    seen.set(name, (seen.get(name) ?? 0) + 1)
    if (failures.length > before || name.includes('folder')) {
      await sweep(home)
      home = await newHome()
    }
  }
  await sweep(home)
  return {
    name: 'starts of the demo in every order',
    tries,
    failures,
    seen: [...seen].map(([name, count]) => `${count} ${name}`).join(' · '),
  }
}

const stories: Readonly<Record<string, Story>> = {
  async 'start and Ctrl+C'(home, chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    await ends(home, one, chance.pick(['SIGINT', 'SIGTERM', 'SIGHUP'] as const), wrong)
  },
  async 'second start'(home, _chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    const two = start(home)
    if ((await endOf(two)) !== 0) wrong(`the second ended with ${two.ended()}:\n${two.said()}`)
    if (!two.said().includes(`is open already at ${home.address}`)) wrong(`the second said:\n${two.said()}`)
    if (!(await healthy(home))) wrong('the first is gone')
    await ends(home, one, 'SIGINT', wrong)
  },
  async 'two at once'(home, chance, wrong) {
    const one = start(home)
    await sleep(chance.below(300))
    const two = start(home)
    const both = [one, two]
    if (
      !(await comesTrue(
        90_000,
        () => both.some((it) => it.said().includes('is open at')) && both.some((it) => it.ended() !== null),
      ))
    )
      return wrong(`neither opens:\n${one.said()}\n---\n${two.said()}`)
    const [left] = both.filter((it) => it.ended() === null)
    const [other] = both.filter((it) => it.ended() !== null)
    if (other?.ended() !== 0 || !other.said().includes('is open already'))
      wrong(`the other said:\n${other?.said()}`)
    if (left) await ends(home, left, 'SIGINT', wrong)
  },
  async 'ended before it is open'(home, chance, wrong) {
    const one = start(home)
    await sleep(chance.below(2500))
    await ends(home, one, chance.pick(['SIGINT', 'SIGTERM', 'SIGHUP'] as const), wrong)
  },
  async killed(home, _chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    one.child.kill('SIGKILL')
    if (!(await comesTrue(4000, async () => !(await healthy(home))))) wrong('the application outlives it')
    const two = start(home)
    if (!(await opens(home, two))) return wrong(`does not open after a kill:\n${two.said()}`)
    await ends(home, two, 'SIGINT', wrong)
  },
  async 'reset beside'(home, _chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    const two = start(home, {}, ['--reset'])
    if ((await endOf(two)) !== 1 || !two.said().includes('not put back under it'))
      wrong(`reset said:\n${two.said()}`)
    if (!(await healthy(home))) wrong('the first is gone')
    await ends(home, one, 'SIGINT', wrong)
  },
  async 'database killed under it'(home, _chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    process.kill(Number(readFileSync(join(home.data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL')
    await sleep(300)
    if (!(await comesTrue(20_000, () => healthy(home))))
      wrong(`the database does not come back:\n${one.said()}`)
    await ends(home, one, 'SIGINT', wrong)
  },
  async 'application killed under it'(home, _chance, wrong) {
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open:\n${one.said()}`)
    const id = listener(home.port)
    if (id === null) return wrong('nobody listens')
    process.kill(id, 'SIGKILL')
    if ((await endOf(one)) !== 1 || !one.said().includes('ended by itself'))
      wrong(`it ended with ${one.ended()}:\n${one.said()}`)
    if (existsSync(join(home.data, 'postmaster.pid'))) wrong('the database is left running')
  },
  async 'bad settings'(home, chance, wrong) {
    const [name, value, word] = chance.pick([
      ['SALT_SHELF_PORT', '0', 'a port is a number'],
      ['SALT_SHELF_PORT', 'abc', 'a port is a number'],
      ['SALT_SHELF_PORT', '99999', 'a port is a number'],
      ['SALT_SHELF_PORT', '6000', 'browsers refuse'],
      ['SALT_SHELF_DB_PORT', '-1', 'a port is a number'],
      ['DATABASE_URL', 'not an address', 'DATABASE_URL is no address'],
      ['DATABASE_URL', 'postgres://nobody:x@127.0.0.1:1/none', 'does not let Salt Shelf in'],
    ] as const)
    const one = start(home, { [name]: value })
    if ((await endOf(one, 15_000)) !== 1 || !one.said().includes(word))
      wrong(`${name}=${value} said:\n${one.said()}`)
    noStack(one, wrong)
  },
  async 'port taken'(home, _chance, wrong) {
    const other = await occupy(home.port)
    const one = start(home)
    if ((await endOf(one, 60_000)) !== 1 || !one.said().includes('is taken')) wrong(`it said:\n${one.said()}`)
    noStack(one, wrong)
    other.close()
    if (existsSync(join(home.data, 'postmaster.pid'))) wrong('the database is left running')
  },
  async 'folder cut short'(home, chance, wrong) {
    await makeOnce(home, wrong)
    const gone = chance.pick(['PG_VERSION', 'global/pg_control', 'postgresql.conf'])
    rmSync(join(home.data, gone))
    const before = fingerprint(home.data)
    const one = start(home)
    if ((await endOf(one, 30_000)) !== 1 || !one.said().includes(home.data))
      wrong(`without ${gone} it said:\n${one.said()}`)
    noStack(one, wrong)
    if (fingerprint(home.data) !== before) wrong(`without ${gone} the folder was touched`)
  },
  async 'folder half made'(home, _chance, wrong) {
    const fresh = await newHome()
    mkdirSync(join(fresh.folder, 'postgres-unfinished', 'base'), { recursive: true })
    const one = start(fresh)
    if (!(await opens(fresh, one))) wrong(`does not open over a half-made folder:\n${one.said()}`)
    await ends(fresh, one, 'SIGINT', wrong)
    await sweep(fresh)
    await sweep(home)
  },
  async 'folder without its password'(home, _chance, wrong) {
    await makeOnce(home, wrong)
    rmSync(join(home.folder, 'password'))
    const one = start(home)
    if (!(await opens(home, one))) return wrong(`does not open without its password:\n${one.said()}`)
    await ends(home, one, 'SIGINT', wrong)
  },
  async 'folder that is a file'(_home, _chance, wrong) {
    const fresh = await newHome()
    rmSync(fresh.folder, { recursive: true })
    writeFileSync(fresh.folder, 'not a folder')
    const one = start(fresh)
    if ((await endOf(one, 30_000)) !== 1 || !one.said().includes('cannot write there'))
      wrong(`it said:\n${one.said()}`)
    noStack(one, wrong)
    rmSync(fresh.folder, { force: true })
  },
}

async function newHome(): Promise<Home> {
  const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-start-'))
  // Started by root, the database runs as another user, who must be able to enter.
  chmodSync(folder, 0o755)
  const port = await freePort()
  return {
    folder,
    data: join(folder, 'postgres'),
    port,
    databasePort: await freePort(),
    address: `http://127.0.0.1:${port}`,
  }
}

function start(home: Home, more: Record<string, string> = {}, args: readonly string[] = []): Start {
  const { DATABASE_URL: _database, SALT_SHELF_BUILD: _build, ...env } = process.env
  const child = spawn(process.execPath, [join(root, 'scripts/demo.mjs'), ...args], {
    cwd: root,
    env: {
      ...env,
      SALT_SHELF_HOME: home.folder,
      SALT_SHELF_PORT: String(home.port),
      SALT_SHELF_DB_PORT: String(home.databasePort),
      ...more,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let text = ''
  let end: number | string | null = null
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part: Buffer) => (text += part.toString()))
  child.on('exit', (code, signal) => (end = code ?? signal))
  return { child, said: () => text, ended: () => end }
}

async function opens(home: Home, one: Start): Promise<boolean> {
  const isOpen = () => one.said().includes(`is open at ${home.address}`) || one.ended() !== null
  return (await comesTrue(90_000, isOpen)) && one.ended() === null && healthy(home)
}

async function endOf(one: Start, within = 90_000): Promise<number | string | null> {
  await comesTrue(within, () => one.ended() !== null)
  return one.ended()
}

/** Tells a start to end, and looks at what it leaves: nothing that runs, and no excuse. */
async function ends(
  home: Home,
  one: Start,
  signal: NodeJS.Signals,
  wrong: (what: string) => void,
): Promise<void> {
  one.child.kill(signal)
  const how = await endOf(one, 20_000)
  if (how !== 0 && how !== signal) wrong(`after ${signal} it ended with ${how}:\n${one.said()}`)
  noStack(one, wrong)
  if (!(await comesTrue(3000, async () => !(await healthy(home))))) wrong('the application is left running')
  if (!(await comesTrue(3000, () => !existsSync(join(home.data, 'postmaster.pid')))))
    wrong(`the database is left running:\n${one.said()}`)
}

function noStack(one: Start, wrong: (what: string) => void): void {
  if (/\n\s+at .+:\d+:\d+|uncaughtException|unhandledRejection/.test(one.said()))
    wrong(`it shows a fault of its own:\n${one.said()}`)
}

async function healthy(home: Home): Promise<boolean> {
  const response = await fetch(`${home.address}/api/health`, { signal: AbortSignal.timeout(6000) }).catch(
    () => null,
  )
  return response?.ok ?? false
}

/** Lets the demo make its folders once, so that there is something to damage. */
async function makeOnce(home: Home, wrong: (what: string) => void): Promise<void> {
  const one = start(home)
  if (!(await opens(home, one))) wrong(`does not open:\n${one.said()}`)
  await ends(home, one, 'SIGINT', wrong)
}

function fingerprint(folder: string): string {
  const hash = createHash('sha256')
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const path = join(entry.parentPath, entry.name)
    const { mtimeMs, size } = statSync(path)
    hash.update(`${path} ${size} ${mtimeMs}\n`)
  }
  return hash.digest('hex')
}

function occupy(port: number): Promise<Server> {
  return new Promise((resolve) => {
    const server = createServer().listen(port, '127.0.0.1', () => resolve(server))
  })
}

/** The process that listens on a loopback port, as the kernel lists it. */
function listener(port: number): number | null {
  const wanted = `0100007F:${port.toString(16).toUpperCase().padStart(4, '0')}`
  const line = readFileSync('/proc/net/tcp', 'utf8')
    .split('\n')
    .find((one) => one.includes(` ${wanted} `) && one.includes(' 0A '))
  const inode = line?.trim().split(/\s+/)[9]
  for (const id of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      for (const open of readdirSync(`/proc/${id}/fd`))
        if (linkOf(`/proc/${id}/fd/${open}`) === `socket:[${inode}]`) return Number(id)
    } catch {
      continue
    }
  }
  return null
}

function linkOf(path: string): string {
  try {
    return readlinkSync(path)
  } catch {
    return ''
  }
}

/** Ends whatever a story left behind. */
async function sweep(home: Home): Promise<void> {
  const file = join(home.data, 'postmaster.pid')
  if (existsSync(file)) {
    try {
      process.kill(Number(readFileSync(file, 'utf8').split('\n')[0]), 'SIGINT')
    } catch {
      // It has ended meanwhile.
    }
    await comesTrue(5000, () => !existsSync(file))
  }
  rmSync(home.folder, { recursive: true, force: true })
}
