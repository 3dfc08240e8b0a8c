import type { Refusal } from '@/core/result'
import {
  next,
  openClient,
  patience,
  saveFor,
  type Client,
  type Event,
  type Link,
  type Opened,
} from '@/core/sync/client'
import { redoStep, undoStep } from '@/core/sync/history'
import type { DocumentKind } from '@/core/sync/kind'
import type { Answer, Save } from '@/core/sync/protocol'
import type { Aside } from '@/core/sync/rebase'
import type { RowId, Step } from '@/core/sync/step'
import { sameValue, type Value } from '@/core/vocabulary/values'
import type { LandedStore } from './copies'
import { Keeping } from './keeping'
import type { LeftBehind, Queue } from './queue'

/** What a screen is shown of a document under work; a new object at every change. */
export interface DocumentView<D> {
  readonly document: D
  /** The newest steps, oldest first: what undo reaches without asking for more. */
  readonly log: readonly Step[]
  /** How many steps of the document came before those. */
  readonly earlier: number
  readonly saving: 'saved' | 'saving' | 'waiting' | 'stopped'
  /** How things stand with the server, with the cause where they are not well. */
  readonly link: Link
  readonly version: number
  readonly aside: readonly Aside[]
  readonly refusal: Refusal | null
  /** What earlier visits left behind, to go on with or to give up. */
  readonly leftBehind: readonly LeftBehind[]
  /** Why what is not saved yet would not outlive this tab, or null. */
  readonly unkept: Refusal | null
  /** Why this page would not open on this device without a connection, or null. */
  readonly uncopied: Refusal | null
}

/** What became of a save that was sent. */
export type Sent =
  | { readonly kind: 'answer'; readonly answer: Answer }
  | { readonly kind: 'failed'; readonly status: number | null; readonly refusal: Refusal | null }

/** How a desk reaches whoever keeps its document. */
export interface DocumentServer {
  /** Sends a save; a rejection counts as no answer. */
  save(save: Save): Promise<Sent>
  /** The steps right before a number, oldest first; null where they cannot be had now. */
  earlier(before: number): Promise<readonly Step[] | null>
}

/** What a desk works with besides its document. */
export interface DeskWays {
  readonly server: DocumentServer
  readonly queue: Queue
  /** Where this device keeps what lands, so that its copy of the document stays whole. */
  readonly landed?: LandedStore | undefined
  /** Whether it was opened from the copy of this device, and not by the server. */
  readonly isCopy?: boolean | undefined
  /** Whether what closed tabs left is gone on with unasked: where nobody works on two of them at once. */
  readonly takesUp?: boolean | undefined
  /** Makes the id of a step. */
  readonly newId?: (() => string) | undefined
  readonly wait?: ((milliseconds: number) => Promise<void>) | undefined
}

/**
 * A document under work in one tab: `core/sync/client` decides, this sends, waits and shows. Steps take effect at once and
 * are sent in the background, one save at a time; a step counts as saved only when the server says so. What is not saved
 * yet is kept by the browser, so that it outlives the tab. Kinds of desk add what else they show as `X`.
 */
export class DocumentDesk<D, X extends object = object> {
  protected client: Client<D>
  private running = false
  private ended = false
  private wake: (() => void) | null = null
  private readonly listeners = new Set<() => void>()
  private view: DocumentView<D> & X
  /** Makes the id of a step. */
  readonly newId: () => string
  private readonly server: DocumentServer
  private readonly queue: Queue
  private readonly landed: LandedStore | undefined
  private readonly keeping: Keeping<D>
  /** Whether it was opened from the copy of this device: the page says so, and where changes wait. */
  readonly isCopy: boolean
  private readonly takesUp: boolean
  private readonly wait: (milliseconds: number) => Promise<void>

  constructor(
    protected readonly kind: DocumentKind<D>,
    opened: Opened<D>,
    more: X,
    {
      server,
      queue,
      landed,
      isCopy = false,
      takesUp = false,
      newId = () => crypto.randomUUID(),
      wait = sleep,
    }: DeskWays,
  ) {
    this.server = server
    this.queue = queue
    this.landed = landed
    this.isCopy = isCopy
    this.takesUp = takesUp
    this.newId = newId
    this.wait = wait
    this.client = openClient(opened)
    this.keeping = new Keeping(this.client, queue, landed, (unkept) => this.showMore({ unkept }))
    this.view = {
      document: opened.document,
      log: opened.tail,
      earlier: opened.version - opened.tail.length,
      saving: 'saved',
      link: this.client.link,
      version: opened.version,
      aside: [],
      refusal: null,
      leftBehind: [],
      unkept: null,
      uncopied: null,
      ...more,
    }
  }

  getView = (): DocumentView<D> & X => this.view

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Takes up what this tab left behind when it was loaded last, and asks about what tabs that are closed left. */
  async resume(): Promise<void> {
    this.ended = false
    this.keeping.hold()
    const { epoch, saved } = this.client
    if (this.isCopy && this.landed) {
      const steps = await this.landed.after(epoch, saved.version).catch(() => null)
      if (this.ended) return
      if (steps) this.turn({ kind: 'kept', steps })
    }
    const { own, others, former, trouble } = await this.queue.open()
    if (this.ended) return
    if (own) this.turn({ kind: 'returned', left: own })
    if (former.length > 0)
      this.turn({ kind: 'returned', left: { epoch: this.client.epoch, steps: former, aside: [] } })
    this.keeping.begin()
    this.showMore({ leftBehind: this.takesUp ? [] : others, unkept: trouble })
    if (this.takesUp) for (const left of others) await this.decide(left, 'on')
    if (this.isCopy) this.catchUp()
  }

  /** Asks for what is newer, now and until there is an answer. */
  catchUp(): void {
    this.turn({ kind: 'asked' })
  }

  /** Says that this device has a copy of the document, or why it has none. */
  copied(uncopied: Refusal | null): void {
    this.showMore({ uncopied })
  }

  /** Ends the work of this desk: what it has not saved is in the queue, for the next one. */
  end(): void {
    this.ended = true
    this.keeping.end()
  }

  /** Goes on with what a closed tab left behind, or gives it up. */
  async decide(left: LeftBehind, go: 'on' | 'away'): Promise<void> {
    this.showMore({ leftBehind: this.view.leftBehind.filter((one) => one !== left) })
    if (go === 'on') this.turn({ kind: 'returned', left: left.left })
    const trouble = await this.queue.remove(left)
    this.showMore({ unkept: trouble })
  }

  /** Takes a step; a refusal is shown and changes nothing. */
  applyStep(step: Step): boolean {
    return this.take(step)
  }

  /** Sets rows in one step; rows that hold the values already make no step. */
  set(wanted: Readonly<Record<RowId, Value | null>>): boolean {
    const changes = (Object.keys(wanted) as (keyof typeof wanted)[]).flatMap((row) => {
      const [from, to] = [this.kind.value(this.client.shown, row), wanted[row] ?? null]
      return sameValue(from ?? undefined, to ?? undefined) ? [] : [{ row, from, to }]
    })
    return changes.length > 0 && this.applyStep({ id: this.newId(), changes })
  }

  /** Takes the newest step back; where it is older than those at hand, they are asked for first. */
  async undo(): Promise<void> {
    while (!undoStep(this.view.log, 'any') && this.view.earlier > 0) if (!(await this.fetchEarlier())) return
    const step = undoStep(this.view.log, this.newId())
    if (step) this.take(step)
  }

  redo(): void {
    const step = redoStep(this.view.log, this.newId())
    if (step) this.take(step)
  }

  /** Shows a refusal that came up before there was a step. */
  refuse(refusal: Refusal | null): void {
    this.turn({ kind: 'told', refusal })
  }

  /** Ends what was set aside: with mine, my value is set as a fresh step; else what stands there stays. */
  settleConflict(about: Aside, whose: 'mine' | 'theirs'): void {
    this.turn({ kind: 'settled', key: about.key, whose, id: this.newId() })
  }

  /** Tries again now. */
  retry(): void {
    this.turn({ kind: 'retry' })
    this.wake?.()
  }

  /** Lets go of everything that is not saved: for a document that was put back, or whose steps were taken elsewhere. */
  async giveUp(): Promise<void> {
    await this.queue.write(null)
    this.showMore({ saving: 'saved' })
  }

  /** What a kind of desk shows besides the document itself, when that changes. */
  protected derived: (document: D) => Partial<X> = () => ({})

  /** What has to be at hand before the steps of an answer are taken in. */
  protected prepare: (answer: Answer) => Promise<void> = () => Promise.resolve()

  /** Takes a step as it is. */
  protected take(step: Step): boolean {
    this.turn({ kind: 'made', step })
    return this.client.refusal === null
  }

  /** Shows something that is no part of the document. */
  protected showMore(change: Partial<DocumentView<D>> | Partial<X>): void {
    const isNews = Object.entries(change).some(([key, value]) => this.view[key as keyof X] !== value)
    if (!isNews) return
    this.view = { ...this.view, ...change }
    this.tell()
  }

  /** Tells everybody who looks that something is another. */
  protected tell(): void {
    this.listeners.forEach((listener) => listener())
  }

  private turn(event: Event): void {
    const before = this.client
    const after = next(this.kind, before, event)
    this.client = after
    this.keeping.turn(after, event.kind === 'kept')
    const isSameLog = after.saved.tail === before.saved.tail && after.pending === before.pending
    const shown: Partial<DocumentView<D>> = {
      document: after.shown,
      log: isSameLog ? this.view.log : [...after.saved.tail, ...after.pending],
      saving: savingOf(after),
      earlier: after.saved.version - after.saved.tail.length,
      link: after.link,
      version: after.saved.version,
      aside: after.aside,
      refusal: after.refusal,
    }
    const derived = after.shown === before.shown ? {} : this.derived(after.shown)
    this.showMore({ ...shown, ...derived })
    void this.run()
  }

  /** Sends what waits until nothing does; one save is under way at a time. */
  private async run(): Promise<void> {
    if (this.running) return
    this.running = true
    try {
      while (!this.ended && saveFor(this.kind, this.client)) {
        await this.pause(patience(this.client))
        this.turn({ kind: 'sent' })
        const { flight } = this.client
        if (!flight) continue
        const sent = await this.server.save(flight.save).catch(() => unanswered)
        if (this.ended) return
        if (sent.kind === 'answer') await this.prepare(sent.answer)
        this.turn(
          sent.kind === 'answer'
            ? { kind: 'answered', number: flight.number, answer: sent.answer }
            : { kind: 'failed', number: flight.number, status: sent.status, refusal: sent.refusal },
        )
      }
    } finally {
      this.running = false
    }
  }

  private async fetchEarlier(): Promise<boolean> {
    const before = this.view.earlier + 1
    const steps = await this.server.earlier(before).catch(() => null)
    if (!steps?.length) {
      this.refuse({ code: 'no-answer', message: 'The earlier steps cannot be had now; try again.' })
      return false
    }
    this.turn({ kind: 'older', before, steps })
    return true
  }

  private async pause(milliseconds: number): Promise<void> {
    if (milliseconds === 0) return
    const woken = new Promise<void>((resolve) => {
      this.wake = resolve
    })
    await Promise.race([this.wait(milliseconds), woken])
    this.wake = null
  }
}

const unanswered: Sent = { kind: 'failed', status: null, refusal: null }

function savingOf<D>(client: Client<D>): DocumentView<D>['saving'] {
  if (client.pending.length === 0 && client.returning.length === 0)
    return client.link.kind === 'stopped' ? 'stopped' : 'saved'
  if (client.link.kind === 'good') return 'saving'
  return client.link.kind
}

function sleep(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds))
}
