import type { RowId } from '../plan/rows'
import type { Address } from '../model/addresses'
import type { Setting } from '../model/types'
import type { Context } from './context'
import type { Truth } from '../rules/condition'
import type { Indicator } from '../rules/rule'
import type { Value } from '../vocabulary/values'

/** What a plan amounts to in a context: reckoned there and then, or taken from what is known already. */
export type StateIn = (context: Context) => Resolution

/** Where a value can come from, lowest first. */
export type Layer =
  'factory' | 'marked' | 'base' | 'body' | 'position' | 'bank' | 'edit' | 'dial' | 'hold' | 'held' | 'rule'

/** One layer that had a say in a value, lowest first: the last link is the value in force. */
export interface Link {
  readonly layer: Layer
  readonly value: Value
  /** The row of the plan that says so; null where none does. */
  readonly row: RowId | null
  /** The rule, held function or position of the mode dial that says so; null where none does. */
  readonly from: string | null
  readonly because: string | null
}

/** What a rule says of a value, function or control in this context. */
export interface Remark {
  readonly kind: 'unavailable' | 'ineffective' | 'hazard' | 'frozen' | 'replaced' | 'skipped'
  /** `unknown`: it hangs on a fact nobody knows; test on the body. */
  readonly truth: Truth
  readonly rule: string
  readonly because: string
  /**
   * Where it is unknown: the facts nobody knows that decide it, as conditions and doubts name them (`lens/ring`,
   * `setting/<id>`, `rules/<id>`, `functions/<id>/<run state>`, `firmware`).
   */
  readonly hangsOn?: readonly string[]
}

/** A setting's value in a context, with the whole chain behind it. */
export interface ResolvedSetting {
  readonly setting: Setting
  readonly value: Value
  /** Every value it may have: more than one where a rule hangs on a fact nobody knows. */
  readonly possible: readonly Value[]
  readonly chain: readonly Link[]
  readonly remarks: readonly Remark[]
}

/** Whether an assigned function does anything here. */
export type Verdict = 'works' | 'inert' | 'dead' | 'test' | 'empty'

/** Whether a function on a key does something, as far as anybody knows. */
export function answers(verdict: Verdict): boolean {
  return verdict === 'works' || verdict === 'test'
}

/** What decides a verdict: the first thing that makes it so; undefined where nothing speaks against a key. */
export function decisive({
  verdict,
  remarks,
}: Pick<ResolvedAddress, 'verdict' | 'remarks'>): Remark | undefined {
  if (verdict === 'dead') return remarks.find((one) => one.kind === 'unavailable' && one.truth === 'yes')
  if (verdict === 'inert') return remarks.find((one) => one.kind === 'ineffective' && one.truth === 'yes')
  if (verdict === 'test') return remarks.find((one) => one.kind !== 'hazard' && one.truth === 'unknown')
  return undefined
}

/** The facts nobody knows on which a verdict hangs, each once; nothing where it is certain. */
export function hangsOn({ verdict, remarks }: Pick<ResolvedAddress, 'verdict' | 'remarks'>): string[] {
  if (verdict !== 'test') return []
  return [...new Set(remarks.filter(({ kind }) => kind !== 'hazard').flatMap((one) => one.hangsOn ?? []))]
}

/** What a control does in a context, and why. */
export interface ResolvedAddress {
  readonly address: Address
  /** Function asked for, or null when nothing is assigned, by plan or by the maker. */
  readonly functionId: string | null
  /** What the key really does, where a rule puts another function in its place; else the same. */
  readonly effectiveFunctionId: string | null
  readonly source: 'factory' | 'plan' | 'bank'
  /** False where a lever or the exposure mode stands so that another assignment of this control answers. */
  readonly active: boolean
  readonly verdict: Verdict
  readonly remarks: readonly Remark[]
}

/** A sign of the camera that is not to be trusted here. */
export interface ResolvedIndicator {
  readonly indicator: Indicator
  readonly says: 'misleads' | 'absent'
  readonly truth: Truth
  readonly rule: string
  readonly because: string
}

/** Everything the plan amounts to in one context. */
export interface Resolution {
  readonly settings: ReadonlyMap<string, ResolvedSetting>
  readonly addresses: ReadonlyMap<string, ResolvedAddress>
  readonly indicators: readonly ResolvedIndicator[]
}

/** How a function stands in a context. */
export type FunctionEffect = Pick<ResolvedAddress, 'effectiveFunctionId' | 'verdict' | 'remarks'>
