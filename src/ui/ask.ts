import { ok, type Refusal, type Result } from '@/core/result'

/** Posts an order to our own server; what it could not do, or that it does not answer, is a refusal. */
export function ask<T>(address: string, order: object): Promise<Result<T>> {
  return post<T>(address, JSON.stringify(order), { 'content-type': 'application/json' })
}

/** What is said where the server does not answer, and nothing else is known of what was asked. */
const unanswered = 'The server did not answer. How it stands shows when this page is loaded again.'

/** The same with a body of any kind, and words of its own for a server that does not answer. */
export async function post<T>(
  address: string,
  body: BodyInit | null,
  headers: Readonly<Record<string, string>> = {},
  silence = unanswered,
): Promise<Result<T>> {
  try {
    const response = await fetch(address, { method: 'POST', headers, body })
    const said = (await response.json()) as T & { refusal?: Refusal }
    if (response.ok) return ok(said)
    return { ok: false, refusal: said.refusal ?? { code: 'fault', message: 'It was not done.' } }
  } catch {
    return { ok: false, refusal: { code: 'unreachable', message: silence } }
  }
}
