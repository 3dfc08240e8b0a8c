import { runner } from 'node-pg-migrate'
import { ok, refuse, type Result } from '@/core/result'

/**
 * Brings the tables up to date by the numbered files of a folder, all in one transaction: either every one of them took
 * effect, or the database is as it was, and the refusal names the file and the statement's fault. Gives their names.
 */
export async function migrate(databaseUrl: string, folder: string): Promise<Result<readonly string[]>> {
  let last = ''
  try {
    const done = await runner({
      databaseUrl: { connectionString: databaseUrl, connectionTimeoutMillis: 5000 },
      dir: folder,
      direction: 'up',
      migrationsTable: 'migrations',
      singleTransaction: true,
      log: (line: string) => {
        last = /### MIGRATION (\S+)/.exec(line)?.[1] ?? last
      },
    })
    return ok(done.map((one) => one.name))
  } catch (error) {
    const cause = error instanceof Error ? error.message : String(error)
    return refuse(
      'migration',
      `The tables could not be brought up to date${last === '' ? '' : ` by ${last}`}, and are as they were: ${cause}. Everything in them is kept; the former release of Salt Shelf still opens it.`,
      folder,
    )
  }
}
