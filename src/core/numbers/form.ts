import type { LadderStep } from '../vocabulary/ladders'
import type { QuantityId } from './quantities'
import type { Span } from './span'

/** What the figures are grouped by. */
export const numberGroups = {
  light: 'Light',
  film: 'Film',
  cards: 'Cards and data',
  burst: 'Burst',
  battery: 'Battery',
  focus: 'Focus and lens',
} as const

/** One of `numberGroups`. */
export type NumberGroup = keyof typeof numberGroups

/** What a figure asks for. */
export interface Input {
  readonly name: string
  readonly quantity: QuantityId
  /** Taken where nobody says otherwise, and told as such: what is typed, and why it is usual. */
  readonly usual?: readonly [typed: string, why: string]
  /** Where nobody says, there is none, and this is said: the amount is 0 then. */
  readonly none?: string
  /** What of a plan, a situation or an inventory gives it; see `known`. */
  readonly from?: string
  /** Not taken as a range: the figure rises and falls with it. */
  readonly single?: true
  /** Zero makes no sense here. */
  readonly aboveZero?: true
}

/** A choice that a figure asks for: the first is taken where nobody says otherwise. */
export interface Choice {
  readonly name: string
  readonly of: Readonly<Record<string, string>>
  readonly from?: string
}

/** Something a figure answers. */
export interface ResultForm {
  readonly name: string
  readonly quantity: QuantityId
  /** What is said where there is no end to it: "never". */
  readonly endless?: string
  /** Shown with the nearest step of the body, and how far that is off. */
  readonly step?: StepName
  /** A limit that is not to be passed: the step is the nearest below it. */
  readonly atMost?: true
}

/** What a body has steps of. */
export type StepName = 'shutter' | 'aperture' | 'iso'

/** The steps that can be set; where no body is known, the usual third-stop ones. */
export type BodySteps = Readonly<Record<StepName, readonly LadderStep[]>>

/** What a figure says beside its results. */
export interface Verdict {
  /** A sentence each. */
  readonly words: readonly string[]
  /** False where it is a problem on the job, null where there is nothing to judge. */
  readonly fits: boolean | null
}

/** A curve: how one thing goes with another. */
export interface Curve {
  readonly name: string
  readonly x: { readonly name: string; readonly quantity: QuantityId }
  readonly y: { readonly name: string; readonly quantity: QuantityId }
  readonly lines: readonly {
    readonly name: string
    readonly points: readonly (readonly [x: number, y: number])[]
  }[]
}

/** A figure: what it asks, how it is reckoned, and what it does not know. */
export interface NumberForm {
  readonly id: string
  readonly name: string
  readonly group: NumberGroup
  /** The question it answers. */
  readonly asks: string
  /** Other words it is looked for by. */
  readonly also: string
  readonly formula: string
  readonly source: string
  /** What it leaves out. */
  readonly limits: string
  /** The procedure by which it is done on the camera; null where nothing is done. */
  readonly procedure: string | null
  readonly choices: Readonly<Record<string, Choice>>
  readonly inputs: Readonly<Record<string, Input>>
  readonly results: Readonly<Record<string, ResultForm>>
  /** The formula with its amounts: `{name}` of an input or a result is put in. */
  readonly filled: readonly string[]
  /** What is impossible about a case, in a sentence; null where nothing is. */
  readonly impossible: (
    v: Readonly<Record<string, number>>,
    c: Readonly<Record<string, string>>,
  ) => string | null
  /** Every result of one case; each input at one amount. A result may itself be a range. */
  readonly work: (
    v: Readonly<Record<string, number>>,
    c: Readonly<Record<string, string>>,
    steps: BodySteps,
  ) => Readonly<Record<string, number | Span>>
  readonly verdict: (
    r: Readonly<Record<string, Span>>,
    v: Readonly<Record<string, Span>>,
    c: Readonly<Record<string, string>>,
    steps: BodySteps,
  ) => Verdict
  readonly curve: ((v: Readonly<Record<string, Span>>, c: Readonly<Record<string, string>>) => Curve) | null
}

/** What a figure is defined by, with its own names of inputs, choices and results. */
interface Defined<I extends string, R extends string, C extends string> {
  readonly id: string
  readonly name: string
  readonly group: NumberGroup
  readonly asks: string
  readonly also?: string
  readonly formula: string
  readonly source: string
  readonly limits: string
  readonly procedure?: string
  readonly choices?: Readonly<Record<C, Choice>>
  readonly inputs: Readonly<Record<I, Input>>
  readonly results: Readonly<Record<R, ResultForm>>
  readonly filled: readonly string[]
  impossible?(v: Readonly<Record<I, number>>, c: Readonly<Record<C, string>>): string | null
  work(
    v: Readonly<Record<I, number>>,
    c: Readonly<Record<C, string>>,
    steps: BodySteps,
  ): Readonly<Record<R, number | Span>>
  verdict?(
    r: Readonly<Record<R, Span>>,
    v: Readonly<Record<I, Span>>,
    c: Readonly<Record<C, string>>,
    steps: BodySteps,
  ): Verdict
  curve?(v: Readonly<Record<I, Span>>, c: Readonly<Record<C, string>>): Curve
}

/** A figure by its definition: within it the names of its inputs and results are checked, outside they are plain texts. */
export function defined<I extends string, R extends string, C extends string = never>(
  form: Defined<I, R, C>,
): NumberForm {
  return {
    also: '',
    procedure: null,
    choices: {},
    ...form,
    impossible: (v, c) => form.impossible?.(v, c) ?? null,
    work: (v, c, steps) => form.work(v, c, steps),
    verdict: (r, v, c, steps) =>
      form.verdict?.(r, v, c, steps) ?? {
        words: [],
        fits: null,
      },
    curve: form.curve ? (v, c) => form.curve?.(v, c) as Curve : null,
  }
}
