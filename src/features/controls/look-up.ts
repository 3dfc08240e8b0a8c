import type { Finding } from '@/core/checks/finding'
import type { Address } from '@/core/model/addresses'
import { acceptedFunctions, addressesOfControl } from '@/core/model/keys'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Face, LensModel, ModelFunction, Side } from '@/core/model/types'
import { addressesWith, functionAt } from '@/core/plan/assign'
import type { Plan } from '@/core/plan/plan'
import { keyRow, type RowId } from '@/core/plan/rows'
import { contextsOf } from '@/core/resolve/context'
import { judgeFunctions } from '@/core/resolve/resolve'
import type { Verdict } from '@/core/resolve/resolved'
import type { PlateLabel, PlateLine } from '@/ui/plate/label'

/** The labels of one face and side, as the plan has them. */
export function labelsOf(
  model: BodyModel,
  plan: Plan,
  face: Face,
  side: Side,
  findings: readonly Finding[],
  changed: ReadonlySet<RowId>,
): PlateLabel[] {
  return model.controls
    .filter((control) => control.face === face.id)
    .map((control) => ({
      control,
      lines: addressesOfControl(model, side, control.id).map((address) =>
        lineOf(model, plan, address, findings, changed),
      ),
    }))
}

/** How many addresses of a face have another function on the other side. */
export function differingOn(model: BodyModel, plan: Plan, face: Face, side: Side): number {
  return [...lookup(model).addresses.values()].filter(
    (address) => address.side === side && address.control.face === face.id && differs(model, plan, address),
  ).length
}

/** Where a function works: how many of the contexts, and why not in the others. */
export interface Standing {
  readonly fn: ModelFunction
  readonly works: number
  readonly of: number
  /** It works, but at a price, in some context. */
  readonly hazard: boolean
  /** The worst verdict met. */
  readonly verdict: Verdict
  /** Each reason met, with the contexts it holds in. */
  readonly reasons: readonly {
    readonly because: string
    readonly rule: string
    readonly contexts: readonly string[]
  }[]
}

/** How every function that an address accepts would stand there, best for this plan first. */
export function standings(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  address: Address,
): Standing[] {
  const accepted = acceptedFunctions(model, address)
  const contexts = contextsOf(model, plan, lenses, address.side)
  const ids = accepted.map((fn) => fn.id)
  const judged = contexts.map((one) => ({
    name: `${one.bank}, ${one.lens}`,
    by: judgeFunctions(model, plan, ids, one.context),
  }))
  return accepted
    .map((fn) => standingOf(fn, judged))
    .sort((a, b) => merit(model, plan, b, address) - merit(model, plan, a, address))
}

const worst: readonly Verdict[] = ['dead', 'inert', 'test', 'works', 'empty']

function standingOf(
  fn: ModelFunction,
  judged: readonly { name: string; by: ReturnType<typeof judgeFunctions> }[],
): Standing {
  const seen = judged.flatMap(({ name, by }) => {
    const one = by.get(fn.id)
    return one ? [{ name, ...one }] : []
  })
  const reasons = new Map<string, { because: string; rule: string; contexts: string[] }>()
  for (const { name, remarks } of seen) {
    for (const remark of remarks) {
      const known = reasons.get(remark.rule) ?? { because: remark.because, rule: remark.rule, contexts: [] }
      reasons.set(remark.rule, { ...known, contexts: [...known.contexts, name] })
    }
  }
  return {
    fn,
    works: seen.filter((one) => one.verdict === 'works').length,
    of: seen.length,
    hazard: seen.some((one) => one.remarks.some((remark) => remark.kind === 'hazard')),
    verdict: worst.find((verdict) => seen.some((one) => one.verdict === verdict)) ?? 'empty',
    reasons: [...reasons.values()],
  }
}

/** Works everywhere first; what no key has yet before what would be doubled; what costs nothing before hazards. */
function merit(model: BodyModel, plan: Plan, standing: Standing, address: Address): number {
  if (standing.fn.manner === 'none') return -3
  const elsewhere = addressesWith(model, plan, address.side, standing.fn.id).some(
    (other) => other !== address,
  )
  const share = standing.of === 0 ? 0 : standing.works / standing.of
  return share * 4 - (elsewhere ? 2 : 0) - (standing.hazard ? 1 : 0)
}

function lineOf(
  model: BodyModel,
  plan: Plan,
  address: Address,
  findings: readonly Finding[],
  changed: ReadonlySet<RowId>,
): PlateLine {
  const row = keyRow(address)
  const id = functionAt(plan, address)
  const fn = id === null ? undefined : lookup(model).functions.get(id)
  const mine = findings.filter(
    (finding) => finding.row === row && finding.side === address.side && finding.check !== 'displaced',
  )
  const empty = !fn || fn.manner === 'none'
  const onPurpose = `why/${row}` in plan.rows
  const worstFinding = mine.find((finding) => finding.severity !== 'tidies')
  return {
    address: address.key,
    gesture: address.name,
    manner: fn?.manner ?? 'none',
    text: empty ? (onPurpose ? 'empty on purpose' : 'empty') : fn.name,
    tone: empty ? 'empty' : worstFinding?.severity === 'blocks' ? 'blocks' : worstFinding ? 'trips' : 'plain',
    changed: changed.has(row),
    differs: differs(model, plan, address),
    spoken: mine
      .map((finding) => `; ${finding.title} in ${finding.contexts.length} of ${finding.of}`)
      .join(''),
  }
}

function differs(model: BodyModel, plan: Plan, address: Address): boolean {
  const other = model.sides.find((side) => side !== address.side)
  const there = other && lookup(model).addresses.get(address.key.replace(address.side, other))
  return there !== undefined && functionAt(plan, there) !== functionAt(plan, address)
}
