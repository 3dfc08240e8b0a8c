import { join } from 'node:path'
import { runner } from 'node-pg-migrate'
import { closePool } from '@/server/db'
import { demoIsThere, makeDemo, removeDemo } from '@/server/demo'
import { storeDefinitions } from '@/server/models'
import { endAbandoned } from '@/server/transfers'

/** Brings the tables up to date; `--demo` adds the demo data when missing, `--reset-demo` restores it. */
const databaseUrl = process.env.DATABASE_URL
if (!databaseUrl) throw new Error('DATABASE_URL is not set')

const done = await runner({
  databaseUrl,
  dir: join(process.cwd(), 'db/migrations'),
  direction: 'up',
  migrationsTable: 'migrations',
  log: () => undefined,
})
for (const migration of done) console.log(`  ${migration.name}`)
await storeDefinitions()
await endAbandoned()

if (process.argv.includes('--reset-demo')) {
  await removeDemo()
  await makeDemo()
  console.log('· The demo data is as at first; nothing else was touched')
} else if (process.argv.includes('--demo') && !(await demoIsThere())) {
  await makeDemo()
  console.log('· The demo data is in')
}
await closePool()
