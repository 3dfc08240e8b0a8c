import type { Refusal } from '@/core/result'
import { ask } from '@/ui/ask'

/** Turns a walk on the server; the reason where it could not. */
export async function turnWalk(id: string, turn: 'end' | 'goOn' | 'follow'): Promise<Refusal | null> {
  const turned = await ask(`/api/walks/${id}`, { turn })
  return turned.ok ? null : turned.refusal
}
