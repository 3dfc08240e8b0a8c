import type { Finding } from '@/core/checks/finding'
import type { Address } from '@/core/model/addresses'
import { acceptedFunctions, addressesOfControl } from '@/core/model/keys'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Face, LensModel, ModelFunction, Side } from '@/core/model/types'
import { addressesWith, functionAt } from '@/core/plan/assign'
import type { Plan } from '@/core/plan/plan'
import { keyRow, type RowId } from '@/core/plan/rows'
import { baseValue } from '@/core/plan/cells'
import { serves } from '@/core/reach/paths'
import { reachAgain, type ReachReport } from '@/core/reach/reach'
import { startsFocus } from '@/core/vocabulary/focus-roles'
import { contextsOf } from '@/core/resolve/context'
import { isThere, judgeFunctions, type Fitted } from '@/core/resolve/resolve'
import type { Verdict } from '@/core/resolve/resolved'
import type { PlateLabel, PlateLine } from '@/ui/plate/label'

/** What labels are written from. */
export interface Shown {
  readonly model: BodyModel
  readonly plan: Plan
  readonly side: Side
  readonly findings: readonly Finding[]
  readonly changed: ReadonlySet<RowId>
  /** What is on the camera. */
  readonly fitted: Fitted
  /** How often each address is the quickest way, by its key; null where that is not shown. */
  readonly uses: ReadonlyMap<string, number> | null
}

/** The labels of one face, as the plan has them; controls that are not there have none. */
export function labelsOf(shown: Shown, face: Face): PlateLabel[] {
  const { model, side, fitted } = shown
  return model.controls
    .filter((control) => control.face === face.id && isThere(control, fitted))
    .map((control) => ({
      control,
      lines: standingOn(shown, addressesOfControl(model, side, control.id)).map((address) =>
        lineOf(shown, address),
      ),
    }))
}

/** Of a control with an assignment for each of many modes, the one that answers as base stands; the table of dials has all. */
function standingOn({ model, plan, side }: Shown, addresses: readonly Address[]): readonly Address[] {
  const by = addresses.find(({ when }) => when !== null)?.when
  const setting = by && lookup(model).settings.get(by.setting)
  const values = new Set(addresses.flatMap(({ when }) => when?.value ?? []))
  if (!setting || values.size <= 2) return addresses
  const stands = baseValue(model, plan.rows, setting, side)
  const here = addresses.filter(({ when }) => when === null || when.value === stands)
  return here.length > 0 ? here : addresses.slice(0, 1)
}

/** How often each key is the quickest way to something, by address. */
export function usesOf({ reached }: ReachReport): ReadonlyMap<string, number> {
  const uses = new Map<string, number>()
  for (const { need, best } of reached)
    if (best) uses.set(best.address, (uses.get(best.address) ?? 0) + need.perOuting)
  return uses
}

/** How many addresses of a face have another function on the other side. */
export function differingOn(model: BodyModel, plan: Plan, face: Face, side: Side): number {
  return [...lookup(model).addresses.values()].filter(
    (address) =>
      address.side === side && address.control.face === face.id && otherSide(model, plan, address) !== null,
  ).length
}

/** Where a function works: how many of the contexts, and why not in the others. */
export interface Standing {
  readonly fn: ModelFunction
  readonly works: number
  readonly of: number
  /** It works, but at a price, in some context. */
  readonly hazard: boolean
  /** Seconds an outing that it would save here; below 0 what it would cost. */
  readonly gain: number
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
  reach: ReachReport,
): Standing[] {
  const accepted = acceptedFunctions(model, address)
  const contexts = contextsOf(model, plan, lenses, address.side)
  const ids = accepted.map((fn) => fn.id)
  const judged = contexts.map((one) => ({
    name: `${one.bank}, ${one.lens}`,
    by: judgeFunctions(model, plan, ids, one.context),
  }))
  const gains = gainsAt(model, plan, address, accepted, reach)
  return accepted
    .map((fn) => standingOf(fn, judged, gains.get(fn.id) ?? 0))
    .sort((a, b) => merit(model, plan, b, address) - merit(model, plan, a, address))
}

const worst: readonly Verdict[] = ['dead', 'inert', 'test', 'works', 'empty']

function standingOf(
  fn: ModelFunction,
  judged: readonly { name: string; by: ReturnType<typeof judgeFunctions> }[],
  gain: number,
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
    gain,
    hazard: seen.some((one) => one.remarks.some((remark) => remark.kind === 'hazard')),
    verdict: worst.find((verdict) => seen.some((one) => one.verdict === verdict)) ?? 'empty',
    reasons: [...reasons.values()],
  }
}

/** What each function saves on an address: those that nothing needs all cost what is there now. */
function gainsAt(
  model: BodyModel,
  plan: Plan,
  address: Address,
  accepted: readonly ModelFunction[],
  reach: ReachReport,
): ReadonlyMap<string, number> {
  const needed = [...new Set(reach.reached.map(({ need }) => need.what))]
  const matters = ({ id, means }: ModelFunction) =>
    means === 'menu.own' || means === 'menu.full' || model.grids.some((grid) => grid.openedBy === id)
  const useful = (fn: ModelFunction) =>
    matters(fn) || needed.some((what) => serves(model, fn, what) || startsFocus(fn.means, true))
  const here = functionAt(plan, address)
  const putting = (functionId: string) => {
    if (functionId === here) return 0
    const rows = { ...plan.rows, [keyRow(address)]: functionId }
    return reach.seconds - reachAgain(reach, { ...plan, rows }).seconds
  }
  const plain = accepted.find((fn) => !useful(fn) && fn.id !== here)
  const loss = plain ? putting(plain.id) : 0
  return new Map(accepted.map((fn) => [fn.id, useful(fn) || fn.id === here ? putting(fn.id) : loss]))
}

/** Works everywhere first; then what saves most; what no key has yet before what would be doubled; what costs nothing before hazards. */
function merit(model: BodyModel, plan: Plan, standing: Standing, address: Address): number {
  if (standing.fn.manner === 'none') return -3
  const elsewhere = addressesWith(model, plan, address.side, standing.fn.id).some(
    (other) => other !== address,
  )
  const share = standing.of === 0 ? 0 : standing.works / standing.of
  const saves = Math.round(standing.gain * 10) * 10
  return (share === 1 ? 1e6 : share * 4) + saves - (elsewhere ? 2 : 0) - (standing.hazard ? 1 : 0)
}

function lineOf({ model, plan, findings, changed, uses }: Shown, address: Address): PlateLine {
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
    differs: otherSide(model, plan, address),
    uses: uses && (uses.get(address.key) ?? 0),
    spoken: mine
      .map((finding) => `; ${finding.title} in ${finding.contexts.length} of ${finding.of}`)
      .join(''),
  }
}

/** What the other side has on a key, where that is another function. */
function otherSide(model: BodyModel, plan: Plan, address: Address): string | null {
  const other = model.sides.find((side) => side !== address.side)
  const there = other && lookup(model).addresses.get(address.key.replace(address.side, other))
  const fn = there && functionAt(plan, there)
  if (!there || fn === functionAt(plan, address)) return null
  return lookup(model).functions.get(fn ?? '')?.name ?? 'nothing'
}
