import { sharedNow } from '@/server/door/known'
import { handledHere } from '@/server/door/on-this-machine'
import { makeCode, openCodeUntil } from '@/server/door/pairing'
import { doorNow } from '@/server/door/state'
import { refusalResponse } from '@/server/requests'

/** Which devices are let in, where others can ask to be, and until when a code is open. */
export const GET = handledHere(async () =>
  Response.json({ kind: 'devices', ...(await sharedNow()), codeUntil: await openCodeUntil(new Date()) }),
)

/** Makes a code by which one device is let in. */
export const POST = handledHere(async () => {
  const message = 'Salt Shelf is not shared now. Stop it, and start it with: npm run demo -- --share'
  return doorNow()
    ? Response.json({ kind: 'code', ...(await makeCode(new Date())) })
    : refusalResponse({ code: 'not-shared', message })
})
