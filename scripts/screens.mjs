import { ensureDatabase, startThrowAwayCluster } from './lib/postgres.mjs'
import { main, say } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { ensureBuild, ensureDebian, ensureNpm, freePort, runTypeScript } from './lib/system.mjs'

/** `npm run screens`: takes the pictures of docs/screenshots from fresh demo data. */
await main(async () => {
  await ensureDebian(['postgresql', 'chromium'])
  await ensureNpm()
  await ensureBuild()
  const cluster = await startThrowAwayCluster()
  let server = null
  try {
    const databaseUrl = await ensureDatabase(cluster.url, 'screens')
    await runTypeScript('scripts/prepare-database.ts', ['--demo'], { DATABASE_URL: databaseUrl })
    server = await startServer({ port: await freePort(), databaseUrl })
    await runTypeScript('scripts/take-screens.ts', [server.address], {})
    say('The pictures are in docs/screenshots')
  } finally {
    await server?.kill()
    cluster.stop()
  }
})
