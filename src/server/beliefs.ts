import { carriedRows, readMemory, type Memory } from '@/core/camera/memory'
import { compareRows, type RowDifference } from '@/core/files/compare'
import { readCardFile, readCardHeader } from '@/core/files/card-file'
import type { BodyModel } from '@/core/model/types'
import { catalogue, type ProcedureId } from '@/core/procedures/catalogue'
import type { Body } from './bodies'
import { localOwner, transaction, type Connection } from './db'
import { modelFor } from './models'

/** What a body is believed to hold, since when, and by what. */
export interface Belief {
  /** What was brought to it, in words: "revision 3 of Night rehearsals". */
  readonly words: string
  readonly since: Date
  /** How it is known: every row was read back, somebody walked through the menu, or a load was ticked and nobody looked. */
  readonly how: 'read back' | 'walked' | 'loaded'
  readonly planId: string | null
  /** Row by row; null where a file was carried that nobody can read. */
  readonly memory: Memory | null
  /** The firmware it had then, where that was said. */
  readonly firmware: string | null
  /** Digest of the file that the body saved itself then; null where it saved none. */
  readonly found: string | null
}

/** How it is known what a body holds, in words. */
export const howWords: Readonly<Record<Belief['how'], string>> = {
  'read back': 'every row was read back and is equal',
  walked: 'set by hand, act by act, in a walk',
  loaded: 'only loaded: nobody has looked at what it holds since',
}

/** Procedures that leave a body as their plan wants it; after others it holds something else. */
const setting: readonly string[] = ['set-plan', 'clean-start', 'build-on', 'banks'] satisfies ProcedureId[]

/**
 * What a body is believed to hold: after the transfer, the walk or the carry by hand that ended last, whichever came later; null
 * where none is known. What a file does not carry is taken as delivered.
 */
export async function beliefOf(client: Connection, model: BodyModel, tag: string): Promise<Belief | null> {
  if (tag === '') return null
  const ended = await client.query<{
    held: unknown
    at: Date
    title: string
    revision: number | null
    plan: string
    procedure: string
    firmware: string | null
  }>(
    `select w.record -> 'held' as held, w.record ->> 'firmware' as firmware, w.ended_at as at, w.procedure,
       p.title, w.revision, p.id as plan from walks w join plans p on p.id = w.plan_id
     where w.owner_id = $1 and w.body = $2 and p.model_id = $3 and w.ended_at is not null and w.record ? 'held'
     order by w.ended_at desc limit 1`,
    [localOwner, tag, model.id],
  )
  const carried = await client.query<{ bytes: Buffer; at: Date; source: string; plan: string | null }>(
    `select f.bytes, t.ended_at as at, t.source, t.plan_id as plan from transfers t join bodies b on b.id = t.body_id
     join transfer_files tf on tf.transfer_id = t.id and tf.role = 'readBack' join files f on f.id = tf.file_id
     where t.owner_id = $1 and b.tag = $2 and b.model_id = $3 and t.outcome = 'identical'
     order by t.ended_at desc limit 1`,
    [localOwner, tag, model.id],
  )
  const byHand = await client.query<HandBelief>(
    `select c.words, c.ended_at as at, c.how, c.held, c.firmware, c.found, w.plan_id as plan
     from hand_carries c join walks w on w.id = c.walk_id join plans p on p.id = w.plan_id
     where c.owner_id = $1 and c.body = $2 and p.model_id = $3 and c.how in ('read back', 'loaded')
     order by c.ended_at desc limit 1`,
    [localOwner, tag, model.id],
  )
  const [walk, file, hand] = [ended.rows[0], carried.rows[0], byHand.rows[0]]
  const latest = [walk, file, hand].reduce<Date | null>(
    (newest, one) => (one && (!newest || one.at > newest) ? one.at : newest),
    null,
  )
  if (hand && hand.at === latest)
    return {
      ...{ words: hand.words, since: hand.at, how: hand.how, planId: hand.plan },
      ...{ firmware: hand.firmware, found: hand.found },
      memory: hand.held === null ? null : readMemory(model, hand.held as Record<string, unknown>),
    }
  if (file && file.at === latest) {
    const bytes = new Uint8Array(file.bytes)
    const memory = await memoryIn(model, bytes)
    const header = readCardHeader(bytes, 'read back')
    if (memory)
      return {
        ...{ words: file.source, since: file.at, how: 'read back', planId: file.plan, memory },
        firmware: header.ok ? header.value.firmware : null,
        found: null,
      }
  }
  if (!walk) return null
  const planned =
    walk.revision === null ? `${walk.title}, as it was then` : `revision ${walk.revision} of ${walk.title}`
  const name = catalogue.find(({ id }) => id === walk.procedure)?.name ?? walk.procedure
  const words = setting.includes(walk.procedure) ? planned : `what “${name}” left`
  return {
    ...{ words, since: walk.at, how: 'walked', planId: walk.plan, firmware: walk.firmware, found: null },
    memory: readMemory(model, (walk.held ?? {}) as Record<string, unknown>),
  }
}

interface HandBelief {
  readonly words: string
  readonly at: Date
  readonly how: 'read back' | 'loaded'
  readonly held: unknown
  readonly firmware: string | null
  readonly found: string | null
  readonly plan: string
}

/** What a file held, as this edition of the model reads it; null where it cannot be read. */
async function memoryIn(model: BodyModel, bytes: Uint8Array): Promise<Memory | null> {
  const own = readCardFile(model, bytes, 'read back')
  if (own.ok) return readMemory(model, own.value.rows)
  const header = readCardHeader(bytes, 'read back')
  const former = header.ok ? await modelFor(header.value.model.id, header.value.model.version) : null
  const read = former && former.id === model.id ? readCardFile(former, bytes, 'read back') : null
  return read?.ok ? readMemory(model, read.value.rows) : null
}

/** What a body is believed to hold against what it holds, and what makes that doubtful. */
export interface Standing {
  readonly belief: Belief | null
  /** Rows that a file carries in which the body is not as believed. */
  readonly drift: readonly RowDifference[]
  readonly doubts: readonly string[]
}

/** How a body stands: what it is believed to hold, the rows in which it has drifted from that, and every doubt. */
export async function standingOf(body: Body): Promise<Standing> {
  const belief = await transaction((client) => beliefOf(client, body.model, body.tag))
  if (!belief) return { belief, drift: [], doubts: [] }
  const { model, state, lastTransfer } = body
  const { differences } = belief.memory
    ? compareRows(model, carriedRows(model, belief.memory), carriedRows(model, state.memory))
    : { differences: [] }
  const isLater = lastTransfer !== null && lastTransfer.endedAt > belief.since
  const doubts = [
    ...(belief.firmware !== null && belief.firmware !== state.firmware
      ? [`Firmware was ${belief.firmware} then and is ${state.firmware} now: look at the rows it touches.`]
      : []),
    ...(isLater && lastTransfer.outcome !== 'identical' && lastTransfer.holds !== 'before'
      ? [`A later transfer (${lastTransfer.source}) did not end well.`]
      : []),
    ...(differences.length > 0
      ? [`${differences.length === 1 ? '1 row is' : `${differences.length} rows are`} not as it was then.`]
      : []),
  ]
  return { belief, drift: differences, doubts }
}
