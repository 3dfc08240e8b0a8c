import { ensureDatabase, startThrowAwayCluster } from './postgres.mjs'
import { startServer } from './server.mjs'
import { ensureBuild, ensureNpm } from './build.mjs'
import { ensureDebian, freePort, runTypeScript } from './system.mjs'

/** Runs a TypeScript file with the address of the built application, and what more it is given, on fresh demo data that is thrown away. */
export async function withDemo(database, file, more = []) {
  await ensureDebian(['postgresql', 'chromium'])
  await ensureNpm()
  const build = await ensureBuild()
  const cluster = await startThrowAwayCluster()
  let server = null
  try {
    const databaseUrl = await ensureDatabase(cluster.url, database)
    await runTypeScript('scripts/prepare-database.ts', ['--demo'], { DATABASE_URL: databaseUrl })
    server = await startServer({ port: await freePort(), databaseUrl, build })
    await runTypeScript(file, [server.address, ...more], { DATABASE_URL: databaseUrl })
  } finally {
    await server?.kill()
    cluster.stop()
  }
}
