import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { closePool } from '@/server/db'
import { ensureBuild } from '../lib/build.mjs'
import { ensureDatabase, startThrowAwayCluster } from '../lib/postgres.mjs'
import { startServer, type RunningServer } from '../lib/server.mjs'
import { freePort, runTypeScript } from '../lib/system.mjs'

/** An application with a database of its own, made to be attacked, and thrown away afterwards. */
export interface Place {
  readonly address: string
  readonly databaseUrl: string
  readonly data: string
  killServer(): Promise<void>
  startServer(): Promise<void>
  /** Ends the database as a power cut would. */
  killDatabase(): void
  /** Starts it again; what the demo does by itself. */
  reviveDatabase(): Promise<void>
  /** Stops every process of the database where it stands, and lets them go on. */
  freezeDatabase(): void
  thawDatabase(): void
  close(): Promise<void>
}

/** Opens a place; while it is open the server's own functions work on its database, too. */
export async function openPlace(home?: string): Promise<Place> {
  const build = process.env.SALT_SHELF_BUILD ?? (await ensureBuild())
  const cluster = await startThrowAwayCluster(home)
  const databaseUrl = await ensureDatabase(cluster.url, 'faults')
  await runTypeScript('scripts/prepare-database.ts', ['--demo'], { DATABASE_URL: databaseUrl })
  const before = process.env.DATABASE_URL
  await closePool()
  process.env.DATABASE_URL = databaseUrl
  const port = await freePort()
  const options = { port, databaseUrl, build, home: cluster.home, quiet: true }
  let server: RunningServer = await startServer(options)
  const postmaster = () => Number(readFileSync(join(cluster.data, 'postmaster.pid'), 'utf8').split('\n')[0])
  const signalAll = (signal: NodeJS.Signals) => {
    const main = postmaster()
    for (const one of [main, ...childrenOf(main)]) signalOne(one, signal)
  }
  return {
    address: server.address,
    databaseUrl,
    data: cluster.data,
    killServer: async () => void (await server.kill('SIGKILL')),
    startServer: async () => {
      server = await startServer(options)
    },
    killDatabase: () => signalOne(postmaster(), 'SIGKILL'),
    async reviveDatabase() {
      for (let tries = 0; tries < 50; tries++) {
        try {
          if (await cluster.revive()) return
        } catch {
          // Processes of the dead database may hold its memory for a moment.
        }
        await new Promise((resolve) => setTimeout(resolve, 100))
      }
    },
    freezeDatabase: () => signalAll('SIGSTOP'),
    thawDatabase: () => signalAll('SIGCONT'),
    async close() {
      await server.kill()
      await closePool()
      cluster.stop()
      if (before === undefined) delete process.env.DATABASE_URL
      else process.env.DATABASE_URL = before
    },
  }
}

/** The processes that a process started, as the kernel lists them. */
export function childrenOf(parent: number): number[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const [, rest = ''] = readFileSync(`/proc/${name}/stat`, 'utf8').split(') ')
        return Number(rest.split(' ')[1]) === parent
      } catch {
        return false
      }
    })
    .map(Number)
}

function signalOne(id: number, signal: NodeJS.Signals): void {
  try {
    process.kill(id, signal)
  } catch {
    // It has ended meanwhile.
  }
}
