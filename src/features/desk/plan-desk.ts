import type { RowId } from '@/core/plan/rows'
import { canonicalJson } from '@/core/canonical-json'
import { equipmentFor, equipped, type Equipment } from '@/core/inventory/equip'
import { bodyInHand } from '@/core/inventory/hand'
import { ownStep } from '@/core/inventory/own-step'
import { emptyInventory, type Inventory } from '@/core/inventory/rows'
import type { Finding } from '@/core/checks/finding'
import type { BodyModel, LensModel, Posture, Side } from '@/core/model/types'
import { editionMark, editionsIn, planKind } from '@/core/plan/kind'
import { planLimits } from '@/core/plan/limits'
import type { Plan } from '@/core/plan/plan'
import { stampedBy, type Hand } from '@/core/plan/stamp'
import type { Answer } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import type { Value } from '@/core/vocabulary/values'
import { DocumentDesk, type DeskWays, type DocumentServer, type DocumentView } from '@/features/documents'

/** What the server sends to begin with. */
export interface DeskStart {
  readonly planId: string
  readonly epoch: string
  readonly model: BodyModel
  /** The lenses that may be named: the definitions at hand, with those of the inventory. */
  readonly lenses: readonly LensModel[]
  readonly plan: Plan
  readonly version: number
  readonly head: string | null
  readonly log: readonly Step[]
  /** What the owner has; nothing where it is left out. */
  readonly inventory?: Inventory
  /** The newest revision, and the rows in which the plan differed from it when the page was opened. */
  readonly revision: {
    readonly number: number
    readonly planVersion: number
    readonly differs: readonly RowId[]
  } | null
  /** What the server has found in the plan as it stands, where it has. */
  readonly found?: readonly Finding[] | null
  /** A newer edition of the model than the plan stands on, or null. */
  readonly newerEdition: number | null
}

/** What a plan's desk shows besides its document. */
interface PlanExtras {
  /** The plan as it stands with what its owner has: what everything is reckoned from. */
  readonly plan: Plan
  readonly side: Side
  /** How the camera is held, for what reach reckons. */
  readonly posture: Posture
  /** Something reckoned in the background that failed, and how to try again. */
  readonly fault: { readonly words: string; readonly again: () => void } | null
}

/** What the screen shows; a new object at every change. Its `document` is the plan as it is saved. */
export type DeskView = DocumentView<Plan> & PlanExtras

/** How a desk reaches the server. */
export interface Server extends DocumentServer {
  /** A definition that a step of somebody else's names; null where it cannot be had now. */
  definition(id: string, edition: number): Promise<BodyModel | null>
}

/**
 * A plan under work in one tab, with what its owner has beside it. Steps change the plan alone; a row that the inventory
 * brings is set over, never changed. Rows that are set are stamped with the body in the hand.
 */
export class PlanDesk extends DocumentDesk<Plan, PlanExtras> {
  private readonly models: BodyModel[]
  private readonly defined: readonly LensModel[]
  private current: DeskStart
  private equipment: Equipment

  constructor(
    start: DeskStart,
    private readonly plans: Server,
    ways: Omit<DeskWays, 'server'>,
  ) {
    const models = [start.model]
    const { epoch, plan, version, head, log, inventory = emptyInventory } = start
    const library = { models, lenses: start.lenses }
    const equipment = equipmentFor(start.model, library, inventory)
    const more: PlanExtras = {
      plan: equipped(plan, equipment),
      side: start.model.sides[0] ?? 'stills',
      posture: 'finder',
      fault: null,
    }
    super(
      planKind((id, edition) => known(models, id, edition)),
      { epoch, document: plan, version, head, tail: log },
      more,
      { server: plans, ...ways },
    )
    this.models = models
    this.defined = start.lenses
    this.equipment = equipment
    this.current = { ...start, inventory, lenses: equipment.lenses }
  }

  /** What the plan began with; its model is the one the plan stands on now, its lenses are those there are now. */
  get start(): DeskStart {
    return this.current
  }

  getStart = (): DeskStart => this.current

  /** The body that the plan is made with, where one of its model is in the inventory. */
  get hand(): (Hand & { readonly name: string }) | null {
    return bodyInHand(this.current.inventory ?? emptyInventory, this.current.model.id)
  }

  /** What the inventory brings for a row, where the plan itself says nothing; null where it brings nothing. */
  brings(row: RowId): Value | null {
    const { rows, facts } = this.equipment
    return facts[row] ?? rows[row] ?? null
  }

  /** What the owner has by now. */
  equip(inventory: Inventory): void {
    const { model, lenses } = this.current
    this.equipment = equipmentFor(model, { models: this.models, lenses: this.defined }, inventory)
    const isSame = canonicalJson(this.equipment.lenses) === canonicalJson(lenses)
    // What the server found was with what there was then.
    this.current = {
      ...this.current,
      inventory,
      found: null,
      lenses: isSame ? lenses : this.equipment.lenses,
    }
    this.showMore({ plan: equipped(this.client.shown, this.equipment) })
    this.tell()
  }

  /** Takes a step that was made from what is shown; a refusal is shown and changes nothing. */
  override applyStep(step: Step): boolean {
    const own = ownStep(this.client.shown, this.getView().plan, step)
    if (own.changes.length === 0 && step.changes.length > 0) return true
    const stamped = stampedBy(this.current.model, this.client.shown, own, this.hand)
    return this.take(stamped.changes.length > planLimits.changesInStep ? own : stamped)
  }

  setSide(side: Side): void {
    this.showMore({ side })
  }

  setPosture(posture: Posture): void {
    this.showMore({ posture })
  }

  /** Tells that something reckoned in the background failed. */
  fail(words: string, again: () => void): void {
    this.showMore({ fault: { words, again } })
  }

  /** Tries what failed in the background again. */
  again(): void {
    const { fault } = this.getView()
    this.showMore({ fault: null })
    fault?.again()
  }

  /** Adds a definition that steps may take the plan to. */
  learn(model: BodyModel): void {
    if (!known(this.models, model.id, model.version)) this.models.push(model)
  }

  protected override derived = (plan: Plan): Partial<PlanExtras> => {
    const model = known(this.models, plan.model.id, plan.model.version)
    if (model && editionMark(plan.model) !== editionMark(this.current.plan.model)) {
      const inventory = this.current.inventory ?? emptyInventory
      this.equipment = equipmentFor(model, { models: this.models, lenses: this.defined }, inventory)
      this.current = { ...this.current, model, plan, found: null }
    }
    return { plan: equipped(plan, this.equipment) }
  }

  /** Steps of others may stand on another edition of the model: it must be here before they are taken in. */
  protected override prepare = async (answer: Answer): Promise<void> => {
    if (answer.kind === 'apart') return
    for (const { id, version } of editionsIn(answer.entries)) {
      if (known(this.models, id, version)) continue
      const model = await this.plans.definition(id, version)
      if (model) this.learn(model)
    }
  }
}

function known(models: readonly BodyModel[], id: string, edition: number): BodyModel | null {
  return models.find((model) => model.id === id && model.version === edition) ?? null
}
