'use client'

import { situationRow } from '@/core/plan/rows'
import { needsOf, placeAtEnd, situationsOf, startSituation } from '@/core/reach/needs'
import { readySets, type ReadySet } from '@/core/vocabulary/situations'
import { useDesk, usePlan, useReach } from '@/features/desk'

/** What the Foundation station knows and does: the kinds of work in the plan, and those that can be begun with. */
export function useFoundationStation() {
  const desk = useDesk()
  const plan = usePlan()
  const { model, planId } = desk.start
  const reach = useReach()
  const needs = needsOf(model, plan)
  const situations = situationsOf(plan)
  return {
    planId,
    /** The kinds of work this body's sides allow, each with whether it is in the plan. */
    ready: readySets
      .filter((set) => model.sides.includes(set.side))
      .map((set) => ({ set, there: situations.includes(set.id) })),
    start: (set: ReadySet) => desk.applyStep(startSituation(plan, set, set.id, desk.newId())),
    /** Begins a kind of work with nothing in it, under the first name that is free. */
    startOwn: () => {
      const free = Array.from({ length: 99 }, (_, i) => `own-${i + 1}`).find((id) => !situations.includes(id))
      if (free === undefined) return
      desk.set({
        [situationRow(free, 'name')]: 'Something else',
        [situationRow(free, 'side')]: model.sides[0] ?? 'stills',
        ...placeAtEnd(plan, free),
      })
    },
    situations: situations.map((id) => ({ id, needs: needs.filter((need) => need.situation === id) })),
    reached: reach?.reached ?? null,
  }
}

/** What the station's parts are given. */
export type FoundationKnown = ReturnType<typeof useFoundationStation>
