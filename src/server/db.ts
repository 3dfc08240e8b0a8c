import { Pool, type PoolClient, type QueryResultRow } from 'pg'

/** The one local owner that every row hangs off until there are accounts. */
export const localOwner = '00000000-0000-4000-8000-000000000001'

/** Runs one statement and gives its rows. Parameters only: statements are never put together from input. */
export async function query<Row extends QueryResultRow>(
  statement: string,
  values: readonly unknown[] = [],
): Promise<Row[]> {
  return (await pool().query<Row>(statement, [...values])).rows
}

/** Runs `work` in one transaction: all of it is kept, or none. */
export async function transaction<T>(work: (client: PoolClient) => Promise<T>): Promise<T> {
  const client = await pool().connect()
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch(() => undefined)
    throw error
  } finally {
    client.release()
  }
}

/** Ends every connection: for scripts and tests that must exit. */
export async function closePool(): Promise<void> {
  await kept.saltShelfPool?.end()
  kept.saltShelfPool = undefined
}

const kept = globalThis as { saltShelfPool?: Pool | undefined }

function pool(): Pool {
  if (kept.saltShelfPool === undefined) {
    const connectionString = process.env.DATABASE_URL
    if (!connectionString) throw new Error('DATABASE_URL is not set; start Salt Shelf with npm run demo.')
    kept.saltShelfPool = new Pool({ connectionString, max: 8, connectionTimeoutMillis: 5000 })
    kept.saltShelfPool.on('error', () => undefined)
  }
  return kept.saltShelfPool
}
