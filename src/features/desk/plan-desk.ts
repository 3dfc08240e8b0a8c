import type { RowId } from '@/core/plan/rows'
import type { BodyModel, LensModel, Posture, Side } from '@/core/model/types'
import { editionMark, editionsIn, planKind } from '@/core/plan/kind'
import type { Plan } from '@/core/plan/plan'
import { setRows } from '@/core/plan/step'
import type { Refusal } from '@/core/result'
import {
  leftBy,
  next,
  openClient,
  patience,
  saveFor,
  type Client,
  type Event,
  type Link,
} from '@/core/sync/client'
import { redoStep, undoStep } from '@/core/sync/history'
import type { DocumentKind } from '@/core/sync/kind'
import type { Answer, Save } from '@/core/sync/protocol'
import type { Aside } from '@/core/sync/rebase'
import type { Step } from '@/core/sync/step'
import type { Value } from '@/core/vocabulary/values'
import type { LeftBehind, Queue } from './queue'

/** What the server sends to begin with. */
export interface DeskStart {
  readonly planId: string
  readonly epoch: string
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly plan: Plan
  readonly version: number
  readonly head: string | null
  readonly log: readonly Step[]
  /** The newest revision, and the rows in which the plan differed from it when the page was opened. */
  readonly revision: {
    readonly number: number
    readonly planVersion: number
    readonly differs: readonly RowId[]
  } | null
  /** A newer edition of the model than the plan stands on, or null. */
  readonly newerEdition: number | null
}

/** What the screen shows; a new object at every change. */
export interface DeskView {
  readonly plan: Plan
  /** The newest steps, oldest first: what undo reaches without asking for more. */
  readonly log: readonly Step[]
  /** How many steps of the plan came before those. */
  readonly earlier: number
  readonly side: Side
  /** How the camera is held, for what reach reckons. */
  readonly posture: Posture
  readonly saving: 'saved' | 'saving' | 'waiting' | 'stopped'
  /** How things stand with the server, with the cause where they are not well. */
  readonly link: Link
  readonly version: number
  readonly aside: readonly Aside[]
  readonly refusal: Refusal | null
  /** What earlier visits left behind, to go on with or to give up. */
  readonly leftBehind: readonly LeftBehind[]
  /** Something reckoned in the background that failed, and how to try again. */
  readonly fault: { readonly words: string; readonly again: () => void } | null
  /** Why what is not saved yet would not outlive this tab, or null. */
  readonly unkept: Refusal | null
}

/** What became of a save that was sent. */
export type Sent =
  | { readonly kind: 'answer'; readonly answer: Answer }
  | { readonly kind: 'failed'; readonly status: number | null; readonly refusal: Refusal | null }

/** How a desk reaches the server. */
export interface Server {
  /** Sends a save; a rejection counts as no answer. */
  save(save: Save): Promise<Sent>
  /** A definition that a step of somebody else's names; null where it cannot be had now. */
  definition(id: string, edition: number): Promise<BodyModel | null>
  /** The steps right before a number, oldest first; null where they cannot be had now. */
  earlier(before: number): Promise<readonly Step[] | null>
}

/**
 * A plan under work in one tab: `core/sync/client` decides, this sends, waits and shows. Steps take effect at once and are
 * sent in the background, one save at a time; a step counts as saved only when the server says so. What is not saved yet
 * is kept by the browser, so that it outlives the tab.
 */
export class PlanDesk {
  private readonly models: BodyModel[]
  private readonly kind: DocumentKind<Plan>
  private client: Client<Plan>
  private current: DeskStart
  private running = false
  private ended = false
  private wake: (() => void) | null = null
  private readonly listeners = new Set<() => void>()
  private view: DeskView

  constructor(
    start: DeskStart,
    private readonly server: Server,
    private readonly queue: Queue,
    /** Makes the id of a step. */
    readonly newId: () => string = () => crypto.randomUUID(),
    private readonly wait: (milliseconds: number) => Promise<void> = sleep,
  ) {
    this.current = start
    this.models = [start.model]
    this.kind = planKind((id, edition) => this.known(id, edition))
    const { epoch, plan, version, head, log } = start
    this.client = openClient({ epoch, document: plan, version, head, tail: log })
    this.view = {
      plan,
      log,
      earlier: version - log.length,
      side: start.model.sides[0] ?? 'stills',
      posture: 'finder',
      saving: 'saved',
      link: this.client.link,
      version,
      aside: [],
      refusal: null,
      leftBehind: [],
      fault: null,
      unkept: null,
    }
  }

  /** What the plan began with; its model is the one the plan stands on now. */
  get start(): DeskStart {
    return this.current
  }

  getStart = (): DeskStart => this.current

  getView = (): DeskView => this.view

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Takes up what this tab left behind when it was loaded last, and asks about what tabs that are closed left. */
  async resume(): Promise<void> {
    this.ended = false
    const { own, others, former, trouble } = await this.queue.open()
    if (this.ended) return
    if (own) this.turn({ kind: 'returned', left: own })
    if (former.length > 0)
      this.turn({ kind: 'returned', left: { epoch: this.client.epoch, steps: former, aside: [] } })
    this.show({ leftBehind: others, unkept: trouble })
  }

  /** Ends the work of this desk: what it has not saved is in the queue, for the next one. */
  end(): void {
    this.ended = true
  }

  /** Goes on with what a closed tab left behind, or gives it up. */
  async decide(left: LeftBehind, go: 'on' | 'away'): Promise<void> {
    this.show({ leftBehind: this.view.leftBehind.filter((one) => one !== left) })
    if (go === 'on') this.turn({ kind: 'returned', left: left.left })
    const trouble = await this.queue.remove(left)
    this.show({ unkept: trouble })
  }

  /** Takes a step; a refusal is shown and changes nothing. */
  applyStep(step: Step): boolean {
    this.turn({ kind: 'made', step })
    return this.client.refusal === null
  }

  /** Sets rows in one step; rows that hold the values already make no step. */
  set(wanted: Readonly<Record<RowId, Value | null>>): boolean {
    const step = setRows(this.view.plan, this.newId(), wanted)
    return step.changes.length > 0 && this.applyStep(step)
  }

  /** Takes the newest step back; where it is older than those at hand, they are asked for first. */
  async undo(): Promise<void> {
    while (!undoStep(this.view.log, 'any') && this.view.earlier > 0) if (!(await this.fetchEarlier())) return
    const step = undoStep(this.view.log, this.newId())
    if (step) this.applyStep(step)
  }

  redo(): void {
    const step = redoStep(this.view.log, this.newId())
    if (step) this.applyStep(step)
  }

  setSide(side: Side): void {
    this.show({ side })
  }

  setPosture(posture: Posture): void {
    this.show({ posture })
  }

  /** Shows a refusal that came up before there was a step. */
  refuse(refusal: Refusal | null): void {
    this.turn({ kind: 'told', refusal })
  }

  /** Tells that something reckoned in the background failed. */
  fail(words: string, again: () => void): void {
    this.show({ fault: { words, again } })
  }

  /** Tries what failed in the background again. */
  again(): void {
    const { fault } = this.view
    this.show({ fault: null })
    fault?.again()
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

  /** Lets go of everything that is not saved: for a plan that was put back, or whose steps were taken elsewhere. */
  async giveUp(): Promise<void> {
    await this.queue.write(null)
    this.show({ saving: 'saved' })
  }

  /** Adds a definition that steps may take the plan to. */
  learn(model: BodyModel): void {
    if (!this.known(model.id, model.version)) this.models.push(model)
  }

  private known(id: string, edition: number): BodyModel | null {
    return this.models.find((model) => model.id === id && model.version === edition) ?? null
  }

  private turn(event: Event): void {
    const before = this.client
    const after = next(this.kind, before, event)
    this.client = after
    const isKept = after.pending === before.pending && after.returning === before.returning
    if (!isKept || after.aside !== before.aside) this.keep()
    const model = this.known(after.shown.model.id, after.shown.model.version)
    if (model && editionMark(after.shown.model) !== editionMark(this.current.plan.model))
      this.current = { ...this.current, model, plan: after.shown }
    this.show({
      plan: after.shown,
      log:
        after.saved.tail === before.saved.tail && after.pending === before.pending
          ? this.view.log
          : [...after.saved.tail, ...after.pending],
      saving: savingOf(after),
      earlier: after.saved.version - after.saved.tail.length,
      link: after.link,
      version: after.saved.version,
      aside: after.aside,
      refusal: after.refusal,
    })
    void this.run()
  }

  private keep(): void {
    if (this.ended) return
    void this.queue.write(leftBy(this.client)).then((trouble) => {
      if (trouble !== this.view.unkept) this.show({ unkept: trouble })
    })
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
        if (sent.kind === 'answer') await this.fetchEditions(sent.answer)
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

  /** Steps of others may stand on another edition of the model: it must be here before they are taken in. */
  private async fetchEditions(answer: Answer): Promise<void> {
    if (answer.kind === 'apart') return
    for (const { id, version } of editionsIn(answer.entries)) {
      if (this.known(id, version)) continue
      const model = await this.server.definition(id, version)
      if (model) this.learn(model)
    }
  }

  private async pause(milliseconds: number): Promise<void> {
    if (milliseconds === 0) return
    const woken = new Promise<void>((resolve) => {
      this.wake = resolve
    })
    await Promise.race([this.wait(milliseconds), woken])
    this.wake = null
  }

  private show(change: Partial<DeskView>): void {
    const isNews = Object.entries(change).some(([key, value]) => this.view[key as keyof DeskView] !== value)
    if (!isNews) return
    this.view = { ...this.view, ...change }
    this.listeners.forEach((listener) => listener())
  }
}

const unanswered: Sent = { kind: 'failed', status: null, refusal: null }

function savingOf(client: Client<Plan>): DeskView['saving'] {
  if (client.pending.length === 0 && client.returning.length === 0)
    return client.link.kind === 'stopped' ? 'stopped' : 'saved'
  if (client.link.kind === 'good') return 'saving'
  return client.link.kind
}

function sleep(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds))
}
