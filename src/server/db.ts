import { Client, Pool, type ClientConfig, type PoolClient, type QueryResultRow } from 'pg'

/** The one local owner that every row hangs off until there are accounts. */
export const localOwner = '00000000-0000-4000-8000-000000000001'

/** A connection, from the pool or of one's own. */
export type Connection = Pick<PoolClient, 'query'>

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
  let broken = true
  try {
    const result = await within(client, work)
    broken = false
    return result
  } catch (error) {
    broken = isConnectionFault(error)
    throw error
  } finally {
    client.release(broken)
  }
}

/** The same on a connection of one's own. */
export async function within<C extends Connection, T>(
  client: C,
  work: (client: C) => Promise<T>,
): Promise<T> {
  await client.query('begin')
  try {
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    // On a connection that does not answer nothing can be taken back: the server does that when it is closed.
    if (!isConnectionFault(error)) await client.query('rollback')
    throw error
  }
}

/** A connection of one's own, outside the pool; it and every lock on it end with this process. */
export async function ownConnection(): Promise<Client> {
  const client = new Client(connectionConfig())
  client.on('error', () => undefined)
  await client.connect()
  return client
}

/** Ends a connection of one's own, within half a second even where the database has stopped answering. */
export async function close(connection: Client): Promise<void> {
  const ended = connection.end().catch(() => undefined)
  const late = new Promise<void>((resolve) => {
    setTimeout(resolve, 500).unref()
  })
  await Promise.race([ended, late])
}

/** True for faults of the way to the database, as against faults of a statement. */
export function isConnectionFault(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string }
  return (
    [
      'ECONNREFUSED',
      'ECONNRESET',
      'EPIPE',
      'ENOTFOUND',
      '57P01',
      '57P02',
      '57P03',
      '08006',
      '08001',
    ].includes(code) ||
    /read timeout|timeout exceeded when trying to connect|terminated|not queryable|timeout expired/i.test(
      message,
    )
  )
}

/** Ends every connection: for scripts and tests that must exit. */
export async function closePool(): Promise<void> {
  await kept.saltShelfPool?.end()
  kept.saltShelfPool = undefined
}

const kept = globalThis as { saltShelfPool?: Pool | undefined }

function pool(): Pool {
  if (kept.saltShelfPool === undefined) {
    kept.saltShelfPool = new Pool({ ...connectionConfig(), max: 8 })
    kept.saltShelfPool.on('error', () => undefined)
    // One that ends while somebody has it fails their next statement; it must not end the process.
    kept.saltShelfPool.on('connect', (client) => client.on('error', () => undefined))
  }
  return kept.saltShelfPool
}

/**
 * No statement may take longer than people wait: the database ends it after three seconds, we give up half a second later,
 * when the database itself has stopped answering. A transaction nobody goes on with is ended, so that it holds no lock for ever.
 */
function connectionConfig(): ClientConfig {
  const connectionString = process.env.DATABASE_URL
  if (!connectionString) throw new Error('DATABASE_URL is not set; start Salt Shelf with npm run demo.')
  return {
    connectionString,
    connectionTimeoutMillis: 3500,
    query_timeout: 3500,
    statement_timeout: 3000,
    lock_timeout: 2500,
    idle_in_transaction_session_timeout: 10_000,
  }
}

/** True for the text form of a UUID: anything else never reaches the database. */
export function isUuid(text: string): boolean {
  return /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/.test(text)
}
