import { baseValue } from '@/core/plan/cells'
import { type RowId, keyRow, noteRow } from '@/core/plan/rows'
import type { Finding } from '@/core/checks/finding'
import type { Address } from '@/core/model/addresses'
import { addressesOfControl, twinOf } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Face, Side } from '@/core/model/types'
import { functionAt } from '@/core/plan/assign'
import type { Plan } from '@/core/plan/plan'
import { isThere, type Fitted } from '@/core/resolve/presence'
import type { PlateLabel, PlateLine } from '@/ui/plate/label'

/** What labels are written from. */
export interface Shown {
  readonly model: BodyModel
  readonly plan: Plan
  readonly side: Side
  /** What was found at each row. */
  readonly findings: ReadonlyMap<RowId, readonly Finding[]>
  readonly changed: ReadonlySet<RowId>
  /** What is on the camera. */
  readonly fitted: Fitted
  /** How often each address is the quickest way, by its key; null where that is not shown. */
  readonly uses: ReadonlyMap<string, number> | null
}

/** Findings by the rows at which they stand, for `Shown`. */
export function findingsAt(findings: readonly Finding[]): ReadonlyMap<RowId, readonly Finding[]> {
  const at = new Map<RowId, Finding[]>()
  for (const finding of findings)
    for (const row of new Set(finding.places.map((place) => place.row)))
      at.set(row, [...(at.get(row) ?? []), finding])
  return at
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

/** How many addresses of a face have another function on the other side. */
export function differingOn(model: BodyModel, plan: Plan, face: Face, side: Side): number {
  return [...lookup(model).addresses.values()].filter(
    (address) =>
      address.side === side && address.control.face === face.id && otherSide(model, plan, address) !== null,
  ).length
}

function lineOf({ model, plan, findings, changed, uses }: Shown, address: Address): PlateLine {
  const row = keyRow(address)
  const id = functionAt(plan, address)
  const fn = id === null ? undefined : lookup(model).functions.get(id)
  const mine = (findings.get(row) ?? []).filter(({ places }) =>
    places.some((place) => place.row === row && place.side === address.side && place.check !== 'displaced'),
  )
  const empty = !fn || fn.manner === 'none'
  const onPurpose = noteRow('why', row) in plan.rows
  const worstFinding = mine.find((finding) => finding.severity !== 'tidies')
  return {
    address: address.key,
    gesture: address.name,
    manner: fn?.manner ?? 'none',
    text: empty ? (onPurpose ? 'empty on purpose' : 'empty') : fn.name,
    tone: empty
      ? 'empty'
      : worstFinding?.severity === 'blocks'
        ? 'blocks'
        : worstFinding
          ? 'problem'
          : 'plain',
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
  const there = twinOf(model, address)
  const fn = there && functionAt(plan, there)
  if (!there || fn === functionAt(plan, address)) return null
  return lookup(model).functions.get(fn ?? '')?.name ?? 'nothing'
}
