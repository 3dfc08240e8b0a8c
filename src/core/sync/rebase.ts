import { type Refusal } from '../result'
import { sameValue, type Value } from '../vocabulary/values'
import type { DocumentKind } from './kind'
import { type RowId, type Step, touchedRows } from './step'

/** My steps moved onto a document that others have changed meanwhile. */
export interface Rebased<D> {
  /** Steps that still apply, in order. */
  readonly steps: readonly Step[]
  /** The document they make. */
  readonly document: D
  /** What could not stay, row by row: nothing of mine is thrown away. */
  readonly aside: readonly Aside[]
}

/** A row that is not as its owner wanted it, kept until they say what should become of it. */
export interface Aside {
  /** Tells it from others, be they about the same row. */
  readonly key: string
  readonly row: RowId
  /** The value before either change. */
  readonly before: Value | null
  /** What the owner wanted. */
  readonly mine: Value | null
  /** What happened: others changed the row first, or why it was not taken. */
  readonly why: { readonly kind: 'changed' } | { readonly kind: 'refused'; readonly refusal: Refusal }
}

/**
 * Rebases `mine` onto `document`, which holds `theirs` already. A step with a row that they touched is held back whole,
 * with every later step that builds on its rows; so is one that `unfit` names, or that no longer applies. Of a value that
 * was typed over by a later step only the later comes back. Linear in the number of changes, but for rows set aside often.
 */
export function rebase<D>(
  kind: DocumentKind<D>,
  document: D,
  mine: readonly Step[],
  theirs: readonly Step[],
  unfit: { readonly step: string; readonly refusal: Refusal } | null = null,
): Rebased<D> {
  const changed = touchedRows(theirs)
  const blocked = new Map<string, Aside['why']>([...changed].map((row) => [row, { kind: 'changed' }]))
  const kept: Step[] = []
  const aside: Aside[] = []
  let current = document
  for (const step of mine) {
    const why = whyHeld(kind, current, step, blocked, unfit)
    if (why.kind === 'fits') {
      kept.push(step)
      current = why.document
      continue
    }
    for (const { row, from, to } of step.changes) {
      if (!blocked.has(row)) blocked.set(row, why)
      const typedOver = aside.findIndex((one) => one.row === row && same(one.mine, from))
      const [{ before } = { before: from }] = typedOver < 0 ? [] : aside.splice(typedOver, 1)
      aside.push({ key: `${step.id} ${row}`, row, before, mine: to, why })
    }
  }
  return { steps: kept, document: current, aside }
}

/** The rows set aside that do not hold what was wanted anyway. */
export function stillWanted<D>(
  kind: DocumentKind<D>,
  document: D,
  aside: readonly Aside[],
): readonly Aside[] {
  const holds = ({ row, mine }: Aside) => same(kind.value(document, row), mine)
  return aside.some(holds) ? aside.filter((one) => !holds(one)) : aside
}

function same(one: Value | null, other: Value | null): boolean {
  return sameValue(one ?? undefined, other ?? undefined)
}

function whyHeld<D>(
  kind: DocumentKind<D>,
  document: D,
  step: Step,
  blocked: ReadonlyMap<string, Aside['why']>,
  unfit: { readonly step: string; readonly refusal: Refusal } | null,
): Aside['why'] | { readonly kind: 'fits'; readonly document: D } {
  if (step.id === unfit?.step) return { kind: 'refused', refusal: unfit.refusal }
  const before = step.changes.map(({ row }) => blocked.get(row)).find((why) => why !== undefined)
  if (before) return before
  const next = kind.apply(document, step)
  if (next.ok) return { kind: 'fits', document: next.value }
  return next.refusal.code === 'stale' ? { kind: 'changed' } : { kind: 'refused', refusal: next.refusal }
}
