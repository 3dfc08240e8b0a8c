import { listDevices } from '@/server/door/devices'
import { makeCode, openCodeUntil } from '@/server/door/pairing'
import { onThisMachine } from '@/server/door/on-this-machine'
import { doorNow } from '@/server/door/state'
import { handled, refusalResponse } from '@/server/requests'

/** Which devices are let in, and where others can ask to be. */
export const GET = handled(async (request: Request) => {
  const here = onThisMachine(request)
  if (!here.ok) return refusalResponse(here.refusal)
  const door = doorNow()
  return Response.json({
    kind: 'devices',
    devices: await listDevices(),
    door: door && {
      ...{ origin: door.origin, plain: door.plain, fingerprint: door.fingerprint },
      isReachable: door.isReachable(),
    },
    codeUntil: await openCodeUntil(new Date()),
  })
})

/** Makes a code by which one device is let in. */
export const POST = handled(async (request: Request) => {
  const here = onThisMachine(request)
  if (!here.ok) return refusalResponse(here.refusal)
  if (!doorNow())
    return refusalResponse({
      code: 'not-shared',
      message: 'Salt Shelf is not shared now. Stop it, and start it with: npm run demo -- --share',
    })
  return Response.json({ kind: 'code', ...(await makeCode(new Date())) })
})
