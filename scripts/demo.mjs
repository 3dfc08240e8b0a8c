import { mkdirSync } from 'node:fs'
import { dataHome, ensureDatabase, startCluster } from './lib/postgres.mjs'
import { main, say } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { ensureBuild, ensureDebian, ensureNpm, runTypeScript } from './lib/system.mjs'

/** `npm run demo [-- --reset]`: everything from a fresh clone to the printed address. Ctrl+C ends all of it. */
await main(async () => {
  const port = Number(process.env.SALT_SHELF_PORT ?? 4178)
  const ownServer = process.env.DATABASE_URL
  if (!ownServer) await ensureDebian(['postgresql'])
  await ensureNpm()
  await ensureBuild()

  const cluster = ownServer ? null : await ownCluster()
  let server = null
  try {
    const databaseUrl = ownServer ?? (await ensureDatabase(cluster.url, 'salt_shelf'))
    say('Bringing the tables up to date')
    const mode = process.argv.includes('--reset') ? '--reset-demo' : '--demo'
    await runTypeScript('scripts/prepare-database.ts', [mode], { DATABASE_URL: databaseUrl })
    say('Starting the application')
    server = await startServer({ port, databaseUrl })
    const stopped = new Promise((resolve) =>
      ['SIGINT', 'SIGTERM'].forEach((signal) => process.on(signal, resolve)),
    )
    console.log(`\nSalt Shelf is open at ${server.address}\nCtrl+C stops it; everything is kept.\n`)
    await Promise.race([stopped, server.ended])
  } finally {
    if (server) {
      await server.kill()
      say('The application has stopped')
    }
    if (cluster) await stopCluster(cluster)
  }
})

async function ownCluster() {
  const home = dataHome()
  mkdirSync(home, { recursive: true })
  return startCluster({ home, port: Number(process.env.SALT_SHELF_DB_PORT ?? 54178) })
}

async function stopCluster(cluster) {
  if (!cluster.startedHere && (await cluster.othersConnected())) {
    return say('The database is in use by another Salt Shelf and stays open')
  }
  cluster.stop()
  say('The database has stopped')
}
