import type { Refusal } from '@/core/result'

/** Brings a plan file in as a plan of its own; gives its address, or why not. */
export async function openAsNew(file: string): Promise<string | Refusal> {
  try {
    const response = await fetch('/api/files?name=kept-from-a-page.plan.json', { method: 'POST', body: file })
    const said = (await response.json()) as { planId?: string; refusal?: Refusal }
    if (said.planId) return `/plans/${said.planId}/controls`
    return said.refusal ?? { code: 'fault', message: 'The server did not say what became of it.' }
  } catch {
    return {
      code: 'unreachable',
      message: 'The server did not answer. Try again: the same plan is never made twice.',
    }
  }
}
