import type { Value } from '../vocabulary/values'
import type { Condition, Formula } from './condition'

/** What follows when a condition holds, with the reason in plain words. */
export interface Rule {
  readonly id: string
  readonly when: Condition
  readonly then: Consequence
  readonly because: string
  /** Ids of rules on the same setting that this one overrides where both hold. */
  readonly over: readonly string[]
}

/** The consequence of a rule. Only the `Replacing` ones change a value. */
export type Consequence = Replacing | Remarking

/** Consequences that put another value in the place of the owner's. */
export type Replacing =
  /** This value, whatever was asked. */
  | { readonly kind: 'forced'; readonly setting: string; readonly to: Value }
  /** Each of these values turns into another. */
  | {
      readonly kind: 'becomes'
      readonly setting: string
      readonly from: readonly Value[]
      readonly to: Value
    }
  /**
   * Only these values: what lies outside falls to `fallsTo`, or to the nearest that is left in the order of the
   * domain, the later one where two are as near.
   */
  | {
      readonly kind: 'limits'
      readonly setting: string
      readonly only: readonly Value[]
      readonly fallsTo?: Value
    }
  /** No amount above `atMost` or below `atLeast`, which hang on other settings: what lies outside falls to the nearest inside. */
  | {
      readonly kind: 'bounded'
      readonly setting: string
      readonly atMost?: Formula
      readonly atLeast?: Formula
    }

/** Whether a consequence leaves nothing to set: one value, or one amount that is both the least and the greatest. */
export function fixes(then: Replacing): boolean {
  if (then.kind === 'forced') return true
  if (then.kind !== 'bounded' || then.atLeast === undefined) return false
  return JSON.stringify(then.atLeast) === JSON.stringify(then.atMost)
}

/** Consequences that leave values as they are and say something of them. */
export type Remarking =
  | { readonly kind: 'unavailable' | 'hazard'; readonly setting: string; readonly values: readonly Value[] }
  | { readonly kind: 'ineffective'; readonly setting: string }
  | { readonly kind: 'unavailable' | 'ineffective' | 'hazard'; readonly function: string }
  /** What these controls have does not answer, but for the functions in `butFor`. */
  | {
      readonly kind: 'unavailable' | 'ineffective'
      readonly controls: readonly string[]
      readonly butFor?: readonly string[]
    }
  | { readonly kind: 'unavailable' | 'hazard'; readonly act: string }
  /** Two controls change places: each does what the other has. */
  | { readonly kind: 'swapped'; readonly controls: readonly [string, string] }
  /** A key with this function does something else here; only these controls, where they are named. */
  | {
      readonly kind: 'becomes'
      readonly function: string
      readonly to: string
      readonly controls?: readonly string[]
    }
  /** While the function is held these settings keep what they had. */
  | { readonly kind: 'freezes'; readonly function: string; readonly settings: readonly string[] }
  /** A sign of the camera that does not say what it seems to. */
  | { readonly kind: 'indicator'; readonly indicator: Indicator; readonly says: 'misleads' | 'absent' }

/** The signs a camera gives. */
export const indicators = [
  'confirmation',
  'beep',
  'histogram',
  'zebra',
  'meter',
  'finder',
  'peaking',
] as const

/** One of `indicators`. */
export type Indicator = (typeof indicators)[number]

/** A rule that changes a value. */
export type ReplacingRule = Rule & { readonly then: Replacing }

/** True for the consequences that form the dependency graph. */
export function replaces(rule: Rule): rule is ReplacingRule {
  const { then } = rule
  const kinds: readonly string[] = ['forced', 'limits', 'bounded']
  return kinds.includes(then.kind) || (then.kind === 'becomes' && 'setting' in then)
}

/** A rule that leaves values as they are. */
export type RemarkingRule = Rule & { readonly then: Remarking }

/** True for all other consequences. */
export function remarks(rule: Rule): rule is RemarkingRule {
  return !replaces(rule)
}
