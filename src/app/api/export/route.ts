import { Readable } from 'node:stream'
import { exportAll } from '@/server/export'
import { handled } from '@/server/requests'

export const dynamic = 'force-dynamic'

/** Everything that is kept here as one ZIP. */
export const GET = handled(() => {
  const name = `salt-shelf-${new Date().toISOString().slice(0, 10)}.zip`
  return Promise.resolve(
    new Response(Readable.toWeb(exportAll()) as ReadableStream, {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${name}"`,
        'cache-control': 'no-store',
      },
    }),
  )
})
