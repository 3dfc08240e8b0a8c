import { ok, type Refusal } from '../result'
import { sameValue } from '../vocabulary/values'
import { pageOf } from './decide'
import type { Head } from './head'
import { applyAll, applyWithin, type DocumentKind } from './kind'
import type { Answer, CaughtUp, Save } from './protocol'
import { rebase, stillWanted, type Aside } from './rebase'
import type { Step } from './step'

/** A document in one tab: what the log holds as far as it is known here, and what was made on top of it. */
export interface Client<D> {
  readonly epoch: string
  /** What the log was known to hold last, and its head there; `tail` are its newest steps, for undo. */
  readonly saved: {
    readonly document: D
    readonly version: number
    readonly head: Head
    readonly tail: readonly Step[]
  }
  /** Steps made here that the log is not known to hold. */
  readonly pending: readonly Step[]
  /** Steps of an earlier visit of which is not known yet whether the log holds them. */
  readonly returning: readonly Step[]
  /** What is on the screen: saved and pending together. */
  readonly shown: D
  /** What could not stay as its owner wanted it. */
  readonly aside: readonly Aside[]
  /** Why the step made last did not take effect, or null. */
  readonly refusal: Refusal | null
  /** How many saves were sent. */
  readonly sends: number
  /** The save under way, or null. */
  readonly flight: { readonly number: number; readonly save: Save } | null
  readonly link: Link
  /** The newest version that was told of. */
  readonly told: number
  /** How many steps the next save may have: it shrinks while saves are refused as too large or out of shape. */
  readonly most: number
}

/** How things stand with whoever keeps the log. Every state but the first has a way on. */
export type Link =
  | { readonly kind: 'good' }
  /** No answer, or it was busy or down: the save is made again by itself, after longer and longer waits. */
  | { readonly kind: 'waiting'; readonly failures: number; readonly cause: Refusal }
  /** It will not take anything from this page as it is. On with `retry`, or by taking the steps elsewhere. */
  | { readonly kind: 'stopped'; readonly cause: Refusal }

/** What can happen to a client. */
export type Event =
  | { readonly kind: 'made'; readonly step: Step }
  /** The save that `saveFor` gives is on its way. */
  | { readonly kind: 'sent' }
  /** An answer came, be it late, doubled or out of order. */
  | { readonly kind: 'answered'; readonly number: number; readonly answer: Answer }
  /** Steps came that stand in the log right before those known here: undo reaches further back. */
  | { readonly kind: 'older'; readonly before: number; readonly steps: readonly Step[] }
  /** No answer will be waited for: none came, or one of these words of HTTP. */
  | {
      readonly kind: 'failed'
      readonly number: number
      readonly status: number | null
      readonly refusal: Refusal | null
    }
  | { readonly kind: 'retry' }
  /** Steps that the log is known to hold right after those known here: this device kept them beside an older copy. */
  | { readonly kind: 'kept'; readonly steps: KeptSteps }
  /** What is newer in the log is wanted, also where nothing waits to be saved. */
  | { readonly kind: 'asked' }
  /** An earlier visit left these behind. */
  | { readonly kind: 'returned'; readonly left: Left }
  /** The owner says of a row set aside whose value it should have; with `mine`, by a step with this id. */
  | { readonly kind: 'settled'; readonly key: string; readonly whose: 'mine' | 'theirs'; readonly id: string }
  | { readonly kind: 'told'; readonly refusal: Refusal | null }

/** Steps that stand one after another in a log, and its head after the last of them. */
export interface KeptSteps {
  readonly entries: readonly Step[]
  readonly head: Head
}

/** What a visit leaves behind when it ends before all of it was saved. */
export interface Left {
  readonly epoch: string
  /** The number of the step up to which the log was known then: none of `steps` stands before it. */
  readonly basedOn?: number
  readonly steps: readonly Step[]
  readonly aside: readonly Aside[]
}

/** A document as it was opened. */
export interface Opened<D> {
  readonly epoch: string
  readonly document: D
  readonly version: number
  readonly head: Head
  readonly tail: readonly Step[]
}

/** A client with nothing made yet. */
export function openClient<D>({ epoch, ...saved }: Opened<D>): Client<D> {
  return {
    epoch,
    saved,
    pending: [],
    returning: [],
    shown: saved.document,
    aside: [],
    refusal: null,
    sends: 0,
    flight: null,
    link: { kind: 'good' },
    told: saved.version,
    most: Infinity,
  }
}

/** What the client would leave behind if it ended now; null when all of it is saved and settled. */
export function leftBy<D>(client: Client<D>): Left | null {
  const steps = [...client.returning, ...client.pending]
  if (steps.length === 0 && client.aside.length === 0) return null
  // What an earlier visit left may stand in the log already, nobody knows where.
  const known = client.returning.length > 0 ? {} : { basedOn: client.saved.version }
  return { epoch: client.epoch, ...known, steps, aside: client.aside }
}

/** The save to make now; null while one is under way, nothing is left to save or to learn, or the way is barred. */
export function saveFor<D>(kind: DocumentKind<D>, client: Client<D>): Save | null {
  const { flight, link, returning, saved, told } = client
  if (flight || link.kind === 'stopped') return null
  const ask = returning.slice(0, kind.limits.stepsInSave).map((step) => step.id)
  const waiting = ask.length > 0 ? [] : client.pending.slice(0, client.most)
  const steps = pageOf(waiting, kind.limits)
  if (steps.length === 0 && ask.length === 0 && told <= saved.version) return null
  return { epoch: client.epoch, basedOn: saved.version, head: saved.head, steps, ask }
}

/** How long to wait before the next save, in milliseconds: doubled at each failure, up to ten seconds. */
export function patience<D>(client: Client<D>): number {
  return client.link.kind === 'waiting' ? Math.min(10_000, 250 * 2 ** client.link.failures) : 0
}

/** The client after an event. Total and deterministic: no order of events leaves it without a way on. */
export function next<D>(kind: DocumentKind<D>, client: Client<D>, event: Event): Client<D> {
  switch (event.kind) {
    case 'made':
      return made(kind, client, event.step)
    case 'sent': {
      const save = saveFor(kind, client)
      if (!save) return client
      const number = client.sends + 1
      return { ...client, sends: number, flight: { number, save } }
    }
    case 'answered':
      return answered(kind, client, event.number, event.answer)
    case 'failed':
      return client.flight?.number === event.number
        ? failed(kind, client, event.status, event.refusal)
        : client
    case 'retry':
      return { ...client, link: { kind: 'good' }, most: Infinity }
    case 'kept':
      return merge(kind, client, event.steps, null)
    case 'asked':
      return { ...client, told: Math.max(client.told, client.saved.version + 1) }
    case 'returned':
      return returned(kind, client, event.left)
    case 'settled': {
      const about = client.aside.find((one) => one.key === event.key)
      const rest = { ...client, aside: client.aside.filter((one) => one !== about) }
      if (!about || event.whose === 'theirs') return rest
      const { row } = about
      const from = kind.value(client.shown, row)
      if (sameValue(from ?? undefined, about.mine ?? undefined)) return rest
      const after = made(kind, rest, { id: event.id, changes: [{ row, from, to: about.mine }] })
      return after.refusal ? { ...client, refusal: after.refusal } : after
    }
    case 'older': {
      const { saved } = client
      if (event.before !== saved.version - saved.tail.length + 1) return client
      return { ...client, saved: { ...saved, tail: [...event.steps, ...saved.tail] } }
    }
    case 'told':
      return { ...client, refusal: event.refusal }
  }
}

function made<D>(kind: DocumentKind<D>, client: Client<D>, step: Step): Client<D> {
  const after = applyWithin(kind, client.shown, step)
  if (!after.ok) return { ...client, refusal: after.refusal }
  return { ...client, pending: [...client.pending, step], shown: after.value, refusal: null }
}

function answered<D>(kind: DocumentKind<D>, client: Client<D>, number: number, answer: Answer): Client<D> {
  const awaited = client.flight?.number === number
  const asked = awaited ? (client.flight?.save.ask ?? []) : []
  const landed: Client<D> = awaited
    ? { ...client, flight: null, link: { kind: 'good' }, most: client.most * 2, told: client.saved.version }
    : client
  if (answer.kind === 'apart') return { ...landed, link: { kind: 'stopped', cause: answer.refusal } }
  const newer = newerIn(landed, answer)
  const merged = newer
    ? merge(kind, { ...landed, told: Math.max(landed.told, answer.version) }, newer, answer)
    : landed
  return asked.length > 0 ? placed(kind, merged, asked, answer.known) : merged
}

/**
 * What of the page of the log that an answer brings is not known yet; null where it is about another log than is known
 * here, as after an older copy was put back: the next save learns how things stand.
 */
function newerIn<D>({ saved }: Client<D>, { from, since, entries, heads }: CaughtUp): KeptSteps | null {
  const overlap = saved.version - from
  const here = overlap === 0 ? since : heads[overlap - 1]
  if (entries.length >= overlap && here !== saved.head) return null
  return { entries: entries.slice(overlap), head: heads.slice(overlap).at(-1) ?? saved.head }
}

/** Takes in what stands in the log right after what is known here; with what could not be appended there. */
function merge<D>(
  kind: DocumentKind<D>,
  client: Client<D>,
  { entries: newer, head }: KeptSteps,
  answer: Answer | null,
): Client<D> {
  const { saved, pending } = client
  const tail = newer.length > 0 ? [...saved.tail, ...newer] : saved.tail
  const there = new Set(newer.map((step) => step.id))
  const waiting = pending.filter((step) => !there.has(step.id))
  const unfit = answer?.kind === 'unfit' && waiting.some((step) => step.id === answer.step) ? answer : null
  const allMine = newer.every((step, i) => step.id === pending[i]?.id)
  // What is on the screen has all of it in it already, as after nearly every save.
  const applied = allMine && waiting.length === 0 ? ok(client.shown) : applyAll(kind, saved.document, newer)
  if (!applied.ok) return { ...client, link: { kind: 'stopped', cause: applied.refusal } }
  const document = applied.value
  if (allMine && !unfit) {
    const held = { document, version: saved.version + newer.length, head, tail }
    return { ...client, saved: held, pending: waiting }
  }
  const mine = new Set(pending.map((step) => step.id))
  const others = newer.filter((step) => !mine.has(step.id))
  const moved = rebase(kind, document, waiting, others, unfit)
  return {
    ...client,
    saved: { document, version: saved.version + newer.length, head, tail },
    pending: moved.steps,
    shown: moved.document,
    aside: stillWanted(kind, moved.document, [...client.aside, ...moved.aside]),
  }
}

/** Steps of an earlier visit that the log turned out not to hold are taken up where they still fit. */
function placed<D>(
  kind: DocumentKind<D>,
  client: Client<D>,
  asked: readonly string[],
  known: readonly string[],
): Client<D> {
  const answeredFor = new Set(asked)
  const there = new Set([...known, ...client.pending.map((step) => step.id)])
  const lost = client.returning.filter((step) => answeredFor.has(step.id) && !there.has(step.id))
  const moved = rebase(kind, client.shown, lost, [])
  return {
    ...client,
    returning: client.returning.filter((step) => !answeredFor.has(step.id)),
    pending: [...client.pending, ...moved.steps],
    shown: moved.document,
    aside: stillWanted(kind, moved.document, [...client.aside, ...moved.aside]),
  }
}

function failed<D>(
  kind: DocumentKind<D>,
  client: Client<D>,
  status: number | null,
  refusal: Refusal | null,
): Client<D> {
  const steps = client.flight?.save.steps ?? []
  const landed = { ...client, flight: null }
  const cause = refusal ?? { code: 'unreachable', message: 'Salt Shelf does not answer.' }
  if (status === null || status < 400 || status >= 500 || [408, 425, 429].includes(status)) {
    const failures = client.link.kind === 'waiting' ? client.link.failures + 1 : 1
    return { ...landed, link: { kind: 'waiting', failures, cause } }
  }
  const [first] = steps
  const tooMuch = [400, 413, 422].includes(status)
  if (!tooMuch || !first) return { ...landed, link: { kind: 'stopped', cause } }
  if (steps.length > 1) return { ...landed, most: Math.ceil(steps.length / 2) }
  const moved = rebase(kind, client.saved.document, client.pending, [], { step: first.id, refusal: cause })
  return {
    ...landed,
    pending: moved.steps,
    shown: moved.document,
    aside: stillWanted(kind, moved.document, [...client.aside, ...moved.aside]),
  }
}

function returned<D>(kind: DocumentKind<D>, client: Client<D>, left: Left): Client<D> {
  if (left.epoch === client.epoch) {
    // The same may be taken up twice, by two who ask at once.
    const here = new Set([...client.returning, ...client.pending].map((step) => step.id))
    const held = new Set(client.aside.map((one) => one.key))
    const steps = left.steps.filter((step) => !here.has(step.id))
    const aside = [...client.aside, ...left.aside.filter((one) => !held.has(one.key))]
    const since = stepsAfter(client, left.basedOn)
    if (since) return goneOn(kind, { ...client, aside }, steps, since)
    return {
      ...client,
      returning: [...client.returning, ...steps],
      aside: stillWanted(kind, client.shown, aside),
    }
  }
  const message = `This was made before the ${kind.name} was put back or made anew.`
  const why = { kind: 'refused', refusal: { code: 'other-epoch', message, where: kind.name } } as const
  const lost = left.steps.flatMap((step) =>
    step.changes.map(({ row, from, to }) => ({ key: `${step.id} ${row}`, row, before: from, mine: to, why })),
  )
  return { ...client, aside: stillWanted(kind, client.shown, [...client.aside, ...left.aside, ...lost]) }
}

/** What the log is known to hold after a number; null where that is not known, or where others wait before it. */
function stepsAfter<D>({ saved, pending, returning }: Client<D>, number?: number): readonly Step[] | null {
  if (number === undefined || pending.length > 0 || returning.length > 0) return null
  const first = saved.version - saved.tail.length
  return number >= first && number <= saved.version ? saved.tail.slice(number - first) : null
}

/** What an earlier visit left goes on where it stood: which of it the log took meanwhile is known from `since`. */
function goneOn<D>(
  kind: DocumentKind<D>,
  client: Client<D>,
  steps: readonly Step[],
  since: readonly Step[],
): Client<D> {
  const there = new Set(since.map((step) => step.id))
  const mine = new Set(steps.map((step) => step.id))
  const waiting = steps.filter((step) => !there.has(step.id))
  const others = since.filter((step) => !mine.has(step.id))
  const moved = rebase(kind, client.shown, waiting, others)
  return {
    ...client,
    pending: moved.steps,
    shown: moved.document,
    aside: stillWanted(kind, moved.document, [...client.aside, ...moved.aside]),
  }
}
