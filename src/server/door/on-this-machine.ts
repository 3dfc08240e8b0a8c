import { ok, refuse, type Result } from '@/core/result'
import { deviceHeader } from './state'

/** Whether a request comes from this machine itself: a device that was let in lets nobody else in, and ends nobody. */
export function onThisMachine(request: Pick<Request, 'headers'>): Result<null> {
  return request.headers.has(deviceHeader)
    ? refuse('this-machine', 'This is done on the machine that runs Salt Shelf, on its own shelf.', 'device')
    : ok(null)
}
