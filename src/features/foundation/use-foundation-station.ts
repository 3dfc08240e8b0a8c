'use client'

import { situationRow } from '@/core/plan/rows'
import { needsOf, startSituation, type Need } from '@/core/reach/needs'
import { placeAtEnd, situationName, situationSide, situationsOf } from '@/core/plan/situations'
import type { Reached } from '@/core/reach/report'
import type { Side } from '@/core/model/types'
import { readySets, type ReadySet } from '@/core/vocabulary/situations'
import { findingsAt, useDesk, useFindings, usePlanPart, useReach } from '@/features/desk'
import { useShared } from '@/ui/use-shared'

/** The quickest way to a need, as far as the table shows it. */
export type QuickestWay = Pick<Reached, 'best' | 'absent' | 'blocked' | 'perOuting'>

/** A kind of work in the plan: what is adjusted in it, and the quickest way to each as the plan stands. */
export interface Situation {
  readonly id: string
  readonly name: string
  readonly side: Side
  readonly place: 'only' | 'first' | 'last' | 'between'
  readonly needs: readonly (readonly [need: Need, way: QuickestWay | null])[]
}

/** What the Foundation station knows and does: the kinds of work in the plan, and those that can be begun with. */
export function useFoundationStation() {
  const desk = useDesk()
  const { model, planId } = desk.start
  const reach = useReach()
  const findings = useFindings()
  const planned = usePlanPart((plan) => {
    const needs = needsOf(model, plan)
    return situationsOf(plan).map((id, i, all) => ({
      id,
      name: situationName(plan, id),
      side: situationSide(model, plan, id),
      place: placeOf(i, all.length),
      needs: needs.filter((need) => need.situation === id),
    }))
  })
  const has = (id: string) => planned.some((one) => one.id === id)
  return {
    planId,
    /** What is wrong about what is shot: needs that nothing reaches. */
    problems: useShared(findingsAt(findings, 'foundation').filter(({ severity }) => severity !== 'tidies')),
    /** The kinds of work this body's sides allow, each with whether it is in the plan. */
    ready: useShared(
      readySets.filter((set) => model.sides.includes(set.side)).map((set) => ({ set, there: has(set.id) })),
    ),
    start: (set: ReadySet) => desk.applyStep(startSituation(desk.getView().plan, set, set.id, desk.newId())),
    /** Begins a kind of work with nothing in it, under the first name that is free. */
    startOwn: () => {
      const free = Array.from({ length: 99 }, (_, i) => `own-${i + 1}`).find((id) => !has(id))
      if (free === undefined) return
      desk.set({
        [situationRow(free, 'name')]: 'Something else',
        [situationRow(free, 'side')]: model.sides[0] ?? 'stills',
        ...placeAtEnd(desk.getView().plan, free),
      })
    },
    situations: useShared(
      planned.map((one): Situation => ({
        ...one,
        needs: one.needs.map((need) => [need, wayTo(need, reach?.reached ?? [])]),
      })),
    ),
    /** Whether the ways are known. */
    known: reach !== null,
  }
}

function wayTo({ situation, what }: Need, reached: readonly Reached[]): QuickestWay | null {
  const found = reached.find(({ need }) => need.situation === situation && need.what === what)
  return found
    ? { best: found.best, absent: found.absent, blocked: found.blocked, perOuting: found.perOuting }
    : null
}

function placeOf(at: number, count: number): Situation['place'] {
  if (count === 1) return 'only'
  return at === 0 ? 'first' : at === count - 1 ? 'last' : 'between'
}

/** What the station's parts are given. */
export type FoundationKnown = ReturnType<typeof useFoundationStation>
