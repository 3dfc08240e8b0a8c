import type { BodyRecord } from '@/core/inventory/records'
import type { BodyModel } from '@/core/model/types'
import { readTargets } from '@/core/procedures/place'
import { handOutcomes } from '@/core/procedures/hand-files'
import { standingOf, type Walk } from '@/core/procedures/progress'
import type { Procedure } from '@/core/procedures/types'
import { beliefOf } from './beliefs'
import { localOwner, type Connection } from './db'
import { fileByDigest } from './opaque'

/** A carry by hand that ends. */
interface HandWalk {
  readonly id: string
  /** Tag of the body it comes from; empty for a file of the shelf. */
  readonly body: string
  readonly bodyName: string | null
  readonly place: string
  readonly model: BodyModel
  readonly walk: Walk
  readonly composed: Procedure
}

/** Writes down what a carry by hand came to on each body: what each is believed to hold follows from it. */
export async function endHandCarry(
  client: Connection,
  open: HandWalk,
  bodies: readonly BodyRecord[],
): Promise<void> {
  const { id, walk, composed, model } = open
  const isDone = (act: string) => {
    const found = composed.acts.find((one) => one.id === act)
    return found !== undefined && standingOf(walk, found) === 'done'
  }
  const outcomes = handOutcomes(walk, readTargets(open.place) ?? [], isDone)
  if (outcomes.length === 0) return
  const source = open.body === '' ? null : await beliefOf(client, model, open.body)
  const [first] = outcomes
  const sent = first?.sent == null ? null : await fileByDigest(first.sent)
  const words = source
    ? source.words
    : `${open.body === '' ? 'the file' : `what ${open.bodyName ?? open.body} held, file`} ${sent?.name ?? ''}`.trim()
  for (const { tag, how, sent: gave, found } of outcomes)
    await client.query(
      `insert into hand_carries (walk_id, body, owner_id, how, words, held, firmware, sent, found)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
       on conflict (walk_id, body) do update set how = excluded.how, words = excluded.words, held = excluded.held,
         firmware = excluded.firmware, sent = excluded.sent, found = excluded.found, ended_at = now()`,
      [
        ...[id, tag, localOwner, how, words],
        source?.memory ? JSON.stringify(source.memory) : null,
        bodies.find((one) => one.tag === tag)?.firmware ?? null,
        ...[gave, found],
      ],
    )
}
