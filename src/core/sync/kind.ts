import { ok, refuse, type Result } from '../result'
import type { Value } from '../vocabulary/values'
import { type RowId, type Step, stepBytes } from './step'

/**
 * What the save protocol must know of a kind of document: how a step changes one, what its rows take, how large it may
 * grow. Plans are one kind (`plan/kind.ts`). Everything else in `sync` is the same for every kind.
 */
export interface DocumentKind<D> {
  /** What one is called in a sentence, such as "plan". */
  readonly name: string
  readonly limits: Limits
  /** A value from outside, or a sentence that says why no row of any document of this kind could hold it. */
  readValue(input: unknown): Result<Value>
  /** The document after a step. Total: refuses with the row, never throws, and leaves the document as it was. */
  apply(document: D, step: Step): Result<D>
  /** What a row holds now, or null. */
  value(document: D, row: RowId): Value | null
}

/** One set of limits for what is edited, saved, exported and taken in, so that what can be built can be carried away. */
export interface Limits {
  /** Rows of a document. */
  readonly rows: number
  /** Bytes of a document's rows as JSON. */
  readonly bytes: number
  readonly changesInStep: number
  /** Bytes of one step as JSON. */
  readonly bytesInStep: number
  readonly stepsInSave: number
  /** Bytes of one save as JSON, or of one page of newer steps; a single step always fits. */
  readonly bytesInSave: number
}

/** The document after steps, one after another; refuses at the first that does not apply. */
export function applyAll<D>(kind: DocumentKind<D>, document: D, steps: readonly Step[]): Result<D> {
  let current = document
  for (const step of steps) {
    const next = kind.apply(current, step)
    if (!next.ok) return next
    current = next.value
  }
  return ok(current)
}

/** The document after a step that keeps to the limits of its kind; refuses what is larger. */
export function applyWithin<D>(kind: DocumentKind<D>, document: D, step: Step): Result<D> {
  const { changesInStep, bytesInStep } = kind.limits
  if (step.changes.length > changesInStep)
    return refuse(
      'too-many',
      `One step has at most ${changesInStep} changes; this has ${step.changes.length}.`,
    )
  const bytes = step.changes.length * 1000 < bytesInStep ? 0 : stepBytes(step)
  if (bytes > bytesInStep)
    return refuse('too-large', `One step takes at most ${bytesInStep} bytes; this takes ${bytes}.`)
  return kind.apply(document, step)
}
