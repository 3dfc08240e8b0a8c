import type { Refusal } from '@/core/result'
import type { Answer } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import type { DocumentServer, Sent } from './document-desk'

/** How long a save may take before it counts as lost, in milliseconds. */
const longestSave = 20_000

/** Where the steps of a document go: whatever comes back that is no answer of the protocol is a failure with its status. */
export function stepsServer(address: string, headers: Readonly<Record<string, string>> = {}): DocumentServer {
  return {
    async save(save) {
      try {
        const response = await fetch(address, {
          method: 'POST',
          headers: { 'content-type': 'application/json', ...headers },
          body: JSON.stringify(save),
          signal: AbortSignal.timeout(longestSave),
        })
        const said = (await response.json().catch(() => null)) as Answer | { refusal?: Refusal } | null
        if (said && 'kind' in said && answerKinds.has(said.kind)) return { kind: 'answer', answer: said }
        // An answer cut off on its way says nothing, whatever its status promised.
        if (said === null && answerStatuses.has(response.status)) return unanswered
        const refusal = said && 'refusal' in said ? (said.refusal ?? null) : null
        return { kind: 'failed', status: response.status, refusal }
      } catch {
        return unanswered
      }
    },
    async earlier(before) {
      const response = await fetch(`${address}?before=${before}`, { headers })
      return response.ok ? ((await response.json()) as { steps: readonly Step[] }).steps : null
    },
  }
}

const unanswered: Sent = { kind: 'failed', status: null, refusal: null }

/** The statuses that answers of the protocol come with. */
const answerStatuses: ReadonlySet<number> = new Set([200, 409, 410, 422])

const answerKinds: ReadonlySet<string> = new Set<Answer['kind']>(['saved', 'stale', 'unfit', 'apart'])
