import type { BodyModel, LensModel, Posture, Side } from '@/core/model/types'
import { redoStep, undoStep } from '@/core/plan/history'
import { rebase, stillWanted, type Conflict } from '@/core/plan/rebase'
import type { Plan } from '@/core/plan/plan'
import type { RowId } from '@/core/plan/rows'
import { applyStep, applySteps, rowValue, setRows, type Step } from '@/core/plan/step'
import { must, type Refusal } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'

/** What the server sends to begin with. */
export interface DeskStart {
  readonly planId: string
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly plan: Plan
  readonly version: number
  readonly log: readonly Step[]
  readonly revision: { readonly number: number; readonly planVersion: number } | null
}

/** What the screen shows; a new object at every change. */
export interface DeskView {
  readonly plan: Plan
  readonly log: readonly Step[]
  readonly side: Side
  /** How the camera is held, for what reach reckons. */
  readonly posture: Posture
  readonly saving: 'saved' | 'saving' | 'unreachable'
  readonly version: number
  readonly conflicts: readonly Conflict[]
  readonly refusal: Refusal | null
}

/** The answer of a save. */
export type SaveAnswer =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly version: number; readonly newer: readonly Step[] }
  | { readonly kind: 'refused'; readonly refusal: Refusal }

/** Sends steps to the server; rejects when it cannot be reached. */
export type Send = (basedOn: number, steps: readonly Step[]) => Promise<SaveAnswer>

/** Where steps that are not saved yet wait, so that closing the tab loses nothing. */
export interface Waiting {
  read(): readonly Step[]
  write(steps: readonly Step[]): void
}

/**
 * A plan under work in one tab. Steps take effect at once and are sent in the background, in order; a step counts
 * as saved only when the server says so. Steps others saved meanwhile are rebased upon; a row both changed comes
 * up as a conflict with both texts kept.
 */
export class PlanDesk {
  private saved: { plan: Plan; version: number; log: readonly Step[] }
  private pending: readonly Step[] = []
  private sending = false
  private failures = 0
  private readonly listeners = new Set<() => void>()
  private view: DeskView

  constructor(
    readonly start: DeskStart,
    private readonly send: Send,
    private readonly waiting: Waiting,
    /** Makes the id of a step. */
    readonly newId: () => string = () => crypto.randomUUID(),
    private readonly wait: (milliseconds: number) => Promise<void> = sleep,
  ) {
    this.saved = { plan: start.plan, version: start.version, log: start.log }
    this.view = {
      plan: start.plan,
      log: start.log,
      side: start.model.sides[0] ?? 'stills',
      posture: 'finder',
      saving: 'saved',
      version: start.version,
      conflicts: [],
      refusal: null,
    }
  }

  getView = (): DeskView => this.view

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /**
   * Takes up steps that an earlier visit could not save; what no longer fits comes up as a conflict, unless the plan
   * holds what was wanted anyway (the page may have been made while a step and its undoing were on their way).
   */
  resume(): void {
    const known = new Set(this.start.log.map((step) => step.id))
    for (const step of this.waiting.read().filter((one) => !known.has(one.id))) {
      if (this.take(step)) continue
      const conflicts = stillWanted(
        step.changes.map(({ row, from, to }) => {
          return { row, before: from, theirs: rowValue(this.view.plan.rows, row), mine: to }
        }),
      )
      this.show({ refusal: null, conflicts: [...this.view.conflicts, ...conflicts] })
    }
    this.waiting.write(this.pending)
  }

  /** Takes a step; a refusal is shown and changes nothing. */
  take(step: Step): boolean {
    const next = applyStep(this.start.model, this.view.plan, step)
    if (!next.ok) {
      this.show({ refusal: next.refusal })
      return false
    }
    this.pending = [...this.pending, step]
    this.waiting.write(this.pending)
    this.show({ plan: next.value, log: [...this.view.log, step], saving: 'saving', refusal: null })
    void this.flush()
    return true
  }

  /** Sets rows in one step; rows that hold the values already make no step. */
  set(wanted: Readonly<Record<RowId, Value | null>>): boolean {
    const step = setRows(this.view.plan, this.newId(), wanted)
    return step.changes.length > 0 && this.take(step)
  }

  undo(): void {
    const step = undoStep(this.view.log, this.newId())
    if (step) this.take(step)
  }

  redo(): void {
    const step = redoStep(this.view.log, this.newId())
    if (step) this.take(step)
  }

  turnTo(side: Side): void {
    this.show({ side })
  }

  hold(posture: Posture): void {
    this.show({ posture })
  }

  /** Shows a refusal that came up before there was a step. */
  refuse(refusal: Refusal | null): void {
    this.show({ refusal })
  }

  /** Ends a conflict: with mine, my value is set as a fresh step; else theirs stays. */
  settle(row: RowId, whose: 'mine' | 'theirs'): void {
    const conflict = this.view.conflicts.find((one) => one.row === row)
    this.show({ conflicts: this.view.conflicts.filter((one) => one.row !== row) })
    if (conflict && whose === 'mine') this.set({ [row]: conflict.mine })
  }

  /** Sends what waits; one save is under way at a time. */
  async flush(): Promise<void> {
    if (this.sending) return
    this.sending = true
    try {
      while (this.pending.length > 0) {
        const batch = this.pending.slice(0, 100)
        const answer = await this.send(this.saved.version, batch).catch(() => null)
        if (answer === null) await this.retryLater()
        else this.accept(batch, answer)
      }
    } finally {
      this.sending = false
    }
  }

  private async retryLater(): Promise<void> {
    this.failures += 1
    this.show({ saving: 'unreachable' })
    await this.wait(Math.min(10_000, 500 * 2 ** this.failures))
  }

  private accept(batch: readonly Step[], answer: SaveAnswer): void {
    this.failures = 0
    const { model } = this.start
    if (answer.kind === 'saved') {
      const plan = must(applySteps(model, this.saved.plan, batch))
      this.saved = { plan, version: answer.version, log: [...this.saved.log, ...batch] }
      this.rest(this.pending.slice(batch.length), [], null)
    } else if (answer.kind === 'stale') {
      const plan = must(applySteps(model, this.saved.plan, answer.newer))
      this.saved = { plan, version: answer.version, log: [...this.saved.log, ...answer.newer] }
      const there = new Set(answer.newer.map((step) => step.id))
      const moved = rebase(
        this.pending.filter((step) => !there.has(step.id)),
        answer.newer,
      )
      this.rest(moved.steps, moved.conflicts, null)
    } else {
      this.rest([], [], answer.refusal)
    }
  }

  private rest(pending: readonly Step[], conflicts: readonly Conflict[], refusal: Refusal | null): void {
    this.pending = pending
    this.waiting.write(pending)
    this.show({
      plan: must(applySteps(this.start.model, this.saved.plan, pending)),
      log: [...this.saved.log, ...pending],
      saving: pending.length > 0 ? 'saving' : 'saved',
      version: this.saved.version,
      conflicts: [...this.view.conflicts, ...conflicts],
      ...(refusal ? { refusal } : {}),
    })
  }

  private show(change: Partial<DeskView>): void {
    this.view = { ...this.view, ...change }
    this.listeners.forEach((listener) => listener())
  }
}

function sleep(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds))
}
