import type { Memory } from '../camera/memory'
import { adviceOn } from '../checks/checks'
import type { Finding } from '../checks/finding'
import { memoize } from '../memoize'
import type { AssignSide, BodyModel, LensModel } from '../model/types'
import { lookup } from '../model/lookup'
import { showValue } from '../model/domain'
import { planFor } from '../plan/bodies'
import type { Plan } from '../plan/plan'
import { bodyFirmwareRow, bodyTagOf, entriesOf, localRow, rowValue } from '../plan/rows'
import type { StateIn } from '../resolve/resolved'
import { resolve } from '../resolve/resolve'
import type { Resolution } from '../resolve/resolved'

/** What a sheet is made from. */
export interface SheetOrder {
  readonly model: BodyModel
  readonly plan: Plan
  readonly lenses: readonly LensModel[]
  /** Tag of the body it is for, with what its owner calls it; null for all of them. */
  readonly body: { readonly tag: string; readonly name: string } | null
  /** Of which revision, or step, and since when: "Revision 3, 28 Nov 2026". */
  readonly stand: string
  readonly isDraft: boolean
  /** What it is held against, where it is a difference. */
  readonly against?: Against | null
  /** Other models and plans of the owner's, for what sits where on them. */
  readonly others?: readonly OtherPlan[]
  /** Models that this one is taken for. */
  readonly siblings?: readonly BodyModel[]
}

/** The other side of a difference sheet. */
export interface Against {
  readonly name: string
  readonly memory: Memory
  /** Its tag, where it is another body of the plan: then firmware, prefix and the like are held against each other, too. */
  readonly tag?: string
}

/** A plan for another body of the owner's. */
export interface OtherPlan {
  readonly name: string
  readonly model: BodyModel
  readonly plan: Plan
}

/** What the parts of a sheet are made from: the order, with what it amounts to. */
export interface Given extends SheetOrder {
  /** The plan of all bodies, where `plan` is that of one. */
  readonly whole: Plan
  readonly stateIn: StateIn
  readonly findings: () => readonly Finding[]
}

/** The order made ready: the plan as the body alone has it, on its firmware, every state reckoned once. */
export function givenOf(order: SheetOrder): Given {
  const { model, lenses, body } = order
  const plan = body ? ofOneBody(order.plan, body.tag) : order.plan
  const states = new Map<string, Resolution>()
  return {
    ...order,
    plan,
    whole: order.plan,
    stateIn(context) {
      const here = body ? { ...context, body: body.tag } : context
      const name = JSON.stringify(here)
      const found = states.get(name) ?? resolve(model, plan, here)
      states.set(name, found)
      return found
    },
    findings: () => findingsOf(model)(plan)(lenses),
  }
}

/** The plan as one body has it, without what it says of the others: it then stands on the firmware of this one. */
function ofOneBody(whole: Plan, tag: string): Plan {
  const plan = planFor(whole, tag)
  const isMine = (row: string) => (bodyTagOf(row) ?? tag) === tag
  return { ...plan, rows: Object.fromEntries(entriesOf(plan.rows).filter(([row]) => isMine(row))) }
}

const findingsOf = memoize((model: BodyModel) =>
  memoize((plan: Plan) =>
    memoize((lenses: readonly LensModel[]): readonly Finding[] => adviceOn(model, plan, lenses)),
  ),
)

/** What a body is called, its firmware, and the local values that differ from one body to the next. */
export function bodyWords({ model, plan, body }: Given): string {
  if (!body) return ''
  const firmware = rowValue(plan.rows, bodyFirmwareRow(body.tag))
  const local = model.settings.flatMap((setting) => {
    const value = setting.place === 'local' ? rowValue(plan.rows, localRow(body.tag, setting.id)) : null
    return value === null ? [] : [`${setting.label} ${showValue(setting.domain, value)}`]
  })
  return [body.name, ...(typeof firmware === 'string' ? [`firmware ${firmware}`] : []), ...local].join(', ')
}

/** The words of a side. */
export const sideWords: Readonly<Record<AssignSide, string>> = {
  stills: 'Stills',
  motion: 'Motion',
  playback: 'Playback',
}

/** The menu address of a line; empty where it has none. */
export function addressOf(model: BodyModel, id: string): string {
  return lookup(model).menuAddress.get(id) ?? ''
}
