import { ensureDatabase, startThrowAwayCluster } from './lib/postgres.mjs'
import { main } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { ensureBuild, ensureDebian, ensureNpm, freePort, runTypeScript } from './lib/system.mjs'

/** `npm run bench`: measures what was promised, in Node.js and in Chromium, and writes docs/performance.md. */
await main(async () => {
  await ensureDebian(['postgresql', 'chromium'])
  await ensureNpm()
  await ensureBuild()
  const cluster = await startThrowAwayCluster()
  let server = null
  try {
    const databaseUrl = await ensureDatabase(cluster.url, 'bench')
    await runTypeScript('scripts/prepare-database.ts', ['--demo'], { DATABASE_URL: databaseUrl })
    server = await startServer({ port: await freePort(), databaseUrl })
    await runTypeScript('scripts/bench.ts', [server.address], {})
  } finally {
    await server?.kill()
    cluster.stop()
  }
})
