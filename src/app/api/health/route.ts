import { query } from '@/server/db'

export const dynamic = 'force-dynamic'

/** Whether the application and its database answer. */
export async function GET(): Promise<Response> {
  try {
    await query('select 1')
    return Response.json({ ok: true })
  } catch {
    return Response.json({ ok: false, cause: 'The database does not answer.' }, { status: 503 })
  }
}
