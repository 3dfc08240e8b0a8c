import type { Refusal } from '@/core/result'

/** Turns a walk on the server; the reason where it could not. */
export async function turnWalk(id: string, turn: 'end' | 'goOn' | 'follow'): Promise<Refusal | null> {
  const response = await fetch(`/api/walks/${id}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ turn }),
  }).catch(() => null)
  if (response?.ok) return null
  const said = (await response?.json().catch(() => null)) as { refusal?: Refusal } | null
  return (
    said?.refusal ?? { code: 'no-answer', message: 'The server does not answer. Nothing is lost; try again.' }
  )
}
