import { Readable } from 'node:stream'
import { exportAll } from '@/server/export'
import { handledHere } from '@/server/door/on-this-machine'

export const dynamic = 'force-dynamic'

/** Everything that is kept here as one ZIP. Only for this machine: a device that was let in works with it, and takes nothing along. */
export const GET = handledHere(() => {
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
