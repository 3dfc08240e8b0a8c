import type { BodyState, Card } from '@/core/camera/body'
import { operate } from '@/core/camera/body'
import type { BodyModel } from '@/core/model/types'
import { ok, refuse, type Result } from '@/core/result'
import { localOwner, query } from './db'
import { modelFor } from './models'
import { isUuid } from './plans'

/** A camera body of the owner: simulated until there are ways to reach a real one. */
export interface Body {
  readonly id: string
  readonly tag: string
  readonly name: string
  /** Where it works, such as "front of house". */
  readonly place: string
  readonly model: BodyModel
  readonly state: BodyState
  /** How its last transfer ended, or null. */
  readonly lastTransfer: {
    readonly outcome: string
    readonly revision: number
    readonly endedAt: Date
  } | null
}

/** What the card in a simulated body can be made to do. */
export const cardConditions = ['ready', 'locked', 'full', 'none'] as const

/** One of `cardConditions`. */
export type CardCondition = (typeof cardConditions)[number]

/** Every body, by name. */
export async function listBodies(): Promise<Body[]> {
  const rows = await query<BodyRow>(`${bodyQuery} where b.owner_id = $1 order by b.name`, [localOwner])
  const bodies = await Promise.all(rows.map(bodyOf))
  return bodies.filter((body) => body !== null)
}

/** One body, or a refusal. */
export async function loadBody(id: string): Promise<Result<Body>> {
  if (!isUuid(id)) return refuse('unknown-body', 'There is no such body.', id)
  const rows = await query<BodyRow>(`${bodyQuery} where b.owner_id = $1 and b.id = $2`, [localOwner, id])
  const body = rows[0] ? await bodyOf(rows[0]) : null
  return body ? ok(body) : refuse('unknown-body', 'There is no such body.', id)
}

/** Adds a body, or puts one with this id back as given. */
export async function putBody(body: Omit<Body, 'lastTransfer'>): Promise<void> {
  await query(
    `insert into bodies (id, owner_id, model_id, model_version, tag, name, place, state)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (id) do update set model_id = excluded.model_id, model_version = excluded.model_version,
       name = excluded.name, place = excluded.place, state = excluded.state`,
    [
      body.id,
      localOwner,
      body.model.id,
      body.model.version,
      body.tag,
      body.name,
      body.place,
      storedState(body.state),
    ],
  )
}

/** Keeps a body's new state. */
export async function keepState(id: string, state: BodyState): Promise<void> {
  await query('update bodies set state = $3 where id = $1 and owner_id = $2', [
    id,
    localOwner,
    storedState(state),
  ])
}

/** Changes the card in a simulated body; its files stay on the card unless it is taken out. */
export async function setCard(id: string, condition: CardCondition): Promise<Result<true>> {
  const body = await loadBody(id)
  if (!body.ok) return body
  const files = body.value.state.card?.files ?? {}
  const cards: Record<CardCondition, Card | null> = {
    ready: { locked: false, freeBytes: 64_000_000_000, files },
    locked: { locked: true, freeBytes: 64_000_000_000, files },
    full: { locked: false, freeBytes: 0, files },
    none: null,
  }
  const operated = operate(body.value.model, body.value.state, { kind: 'card', card: cards[condition] })
  if (!operated.ok) return operated
  await keepState(id, operated.value.body)
  return ok(true)
}

/** The condition a card shows. */
export function cardConditionOf(state: BodyState): CardCondition {
  if (state.card === null) return 'none'
  if (state.card.locked) return 'locked'
  return state.card.freeBytes < 100_000 ? 'full' : 'ready'
}

interface BodyRow {
  readonly id: string
  readonly tag: string
  readonly name: string
  readonly place: string
  readonly model_id: string
  readonly model_version: number
  readonly state: StoredState
  readonly outcome: string | null
  readonly revision: number | null
  readonly ended_at: Date | null
}

type StoredCard = Omit<Card, 'files'> & { readonly files: Readonly<Record<string, string>> }
type StoredState = Omit<BodyState, 'card'> & { readonly card: StoredCard | null }

const bodyQuery = `
  select b.*, t.outcome, t.revision, t.ended_at from bodies b
  left join lateral (
    select transfers.outcome, revisions.number as revision, transfers.ended_at
    from transfers join revisions on revisions.id = transfers.revision_id
    where transfers.body_id = b.id and transfers.ended_at is not null
    order by transfers.started_at desc limit 1
  ) t on true`

async function bodyOf(row: BodyRow): Promise<Body | null> {
  const model = await modelFor(row.model_id, row.model_version)
  if (!model) return null
  const { outcome, revision, ended_at: endedAt } = row
  return {
    id: row.id,
    tag: row.tag,
    name: row.name,
    place: row.place,
    model,
    state: stateOf(row.state),
    lastTransfer:
      outcome !== null && revision !== null && endedAt !== null ? { outcome, revision, endedAt } : null,
  }
}

function storedState(state: BodyState): string {
  const files: Record<string, string> = {}
  for (const [name, bytes] of Object.entries(state.card?.files ?? {}))
    files[name] = Buffer.from(bytes).toString('base64')
  const card: StoredCard | null = state.card && { ...state.card, files }
  return JSON.stringify({ ...state, card })
}

function stateOf(stored: StoredState): BodyState {
  if (stored.card === null) return { ...stored, card: null }
  const files: Record<string, Uint8Array> = {}
  for (const [name, text] of Object.entries(stored.card.files))
    files[name] = new Uint8Array(Buffer.from(text, 'base64'))
  return { ...stored, card: { ...stored.card, files } }
}
