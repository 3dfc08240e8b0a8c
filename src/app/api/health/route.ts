import { query } from '@/server/db'
import { databaseTrouble } from '@/server/requests'

export const dynamic = 'force-dynamic'

/** Whether the application and its database answer; and which run of the application this is. */
export async function GET(): Promise<Response> {
  const run = process.env.SALT_SHELF_RUN ?? null
  try {
    await query('select 1')
    return Response.json({ ok: true, run })
  } catch (error) {
    const cause = databaseTrouble(error)?.message ?? 'The database refuses.'
    return Response.json({ ok: false, run, cause }, { status: 503 })
  }
}
