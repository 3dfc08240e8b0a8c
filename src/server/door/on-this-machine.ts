import { handled, refusalResponse } from '../requests'
import { deviceHeader } from './state'

/** A route handler for this machine itself: a device that was let in lets nobody else in, and ends nobody. */
export function handledHere<A extends unknown[]>(
  work: (request: Request, ...asked: A) => Promise<Response>,
): (request: Request, ...asked: A) => Promise<Response> {
  return handled(async (request: Request, ...asked: A) => {
    if (!request.headers.has(deviceHeader)) return work(request, ...asked)
    const message = 'This is done on the machine that runs Salt Shelf, on its own shelf.'
    return refusalResponse({ code: 'this-machine', message, where: 'device' })
  })
}
