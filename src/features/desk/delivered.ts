/**
 * Definitions of models and lenses, by the address they are delivered at. An address names its contents (it carries
 * their digest), so that what was fetched once is good for ever. A page on the server puts in what it has read; a page in
 * the browser fetches it once.
 */
export function delivered<T>(address: string): Promise<T> {
  const found = shared.saltShelfDelivered.get(address)
  if (found) return found as Promise<T>
  const fetched = fetch(address).then(async (response) => {
    if (!response.ok) throw new Error(`${address} answered ${response.status}`)
    return (await response.json()) as T
  })
  shared.saltShelfDelivered.set(address, fetched)
  // What could not be had is asked for again by whoever tries again.
  fetched.catch(() => shared.saltShelfDelivered.delete(address))
  return fetched
}

/** Puts in what is at an address: React reads it at once, without waiting. */
export function deliver<T>(address: string, value: T): string {
  if (!shared.saltShelfDelivered.has(address))
    shared.saltShelfDelivered.set(
      address,
      Object.assign(Promise.resolve(value), { status: 'fulfilled' as const, value }),
    )
  return address
}

/** Pages and the components they hand to the browser are bundled apart; both find this. */
const shared = globalThis as unknown as { saltShelfDelivered: Map<string, Promise<unknown>> }
shared.saltShelfDelivered ??= new Map()
