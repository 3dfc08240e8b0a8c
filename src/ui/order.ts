import type { Refusal, Result } from '@/core/result'

/** Asks our own server to do something: what it answers, or why it was not done. */
export async function order<T extends object>(address: string, asked: object): Promise<Result<T>> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(asked),
  }).catch(() => null)
  const said = (await response?.json().catch(() => null)) as (T & { refusal?: Refusal }) | null
  if (response?.ok && said && said.refusal === undefined) return { ok: true, value: said }
  const refusal = { code: 'unreachable', message: 'The server did not answer. Nothing is lost; try again.' }
  return { ok: false, refusal: said?.refusal ?? refusal }
}
