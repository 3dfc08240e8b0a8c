import { join } from 'node:path'
import { closePool } from '@/server/db'
import { demoIsThere, makeDemo, removeDemo } from '@/server/demo'
import { migrate } from '@/server/migrate'
import { storeDefinitions } from '@/server/models'
import { databaseTrouble } from '@/server/requests'
import { endAbandoned } from '@/server/leases'

/**
 * Brings the tables up to date; `--demo` adds the demo data when missing, `--reset-demo` restores it. What goes wrong is
 * told in one sentence, and ends with 1.
 */
try {
  await prepare(process.env.DATABASE_URL ?? '')
} catch (error) {
  const trouble = databaseTrouble(error)
  console.error(trouble ? trouble.message : error)
  process.exitCode = 1
} finally {
  await closePool()
}

async function prepare(databaseUrl: string): Promise<void> {
  const migrated = await migrate(databaseUrl, join(process.cwd(), 'db/migrations'))
  if (!migrated.ok) {
    console.error(migrated.refusal.message)
    process.exitCode = 1
    return
  }
  for (const name of migrated.value) console.log(`  ${name}`)
  await storeDefinitions()
  await endAbandoned()
  if (process.argv.includes('--reset-demo')) {
    await removeDemo()
    await makeDemo()
    console.log('· The demo data is as at first; nothing else was touched')
  } else if (process.argv.includes('--demo') && !(await demoIsThere())) {
    await removeDemo()
    await makeDemo()
    console.log('· The demo data is in')
  }
}
