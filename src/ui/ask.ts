import { ok, type Refusal, type Result } from '@/core/result'

/** Posts an order to the server; what it could not do, or that it does not answer, is a refusal. */
export function ask<T>(address: string, order: object): Promise<Result<T>> {
  return askText<T>(address, JSON.stringify(order))
}

/** The same with an order that is JSON already. */
export async function askText<T>(address: string, body: string): Promise<Result<T>> {
  try {
    const response = await fetch(address, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    })
    const said = (await response.json()) as T & { refusal?: Refusal }
    if (response.ok) return ok(said)
    return { ok: false, refusal: said.refusal ?? { code: 'fault', message: 'It was not done.' } }
  } catch {
    const message = 'The server did not answer. How it stands shows when this page is loaded again.'
    return { ok: false, refusal: { code: 'unreachable', message } }
  }
}
