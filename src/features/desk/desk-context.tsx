'use client'

import {
  createContext,
  Fragment,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { look, lookAgain, stillOpen, type Looked } from '@/core/checks/checks'
import type { Finding } from '@/core/checks/finding'
import type { Posture } from '@/core/model/types'
import { editionMark } from '@/core/plan/kind'
import type { Plan } from '@/core/plan/plan'
import { reachAgain, reachOf, type ReachReport } from '@/core/reach/reach'
import { httpServer } from './http-server'
import { PlanDesk, type DeskStart, type DeskView } from './plan-desk'
import { browserQueue } from './queue'

const DeskContext = createContext<PlanDesk | null>(null)
const RevisionContext = createContext<DeskStart['revision']>(null)

/** Holds the plan under work for every station below it. */
export function DeskProvider({ start, children }: { start: DeskStart; children: ReactNode }) {
  const [desk] = useState(() => new PlanDesk(start, httpServer(start.planId), browserQueue(start.planId)))
  const { model } = useSyncExternalStore(desk.subscribe, desk.getStart, desk.getStart)
  useEffect(() => {
    void desk.resume()
    // Closing the tab loses nothing, unless the browser keeps nothing.
    const warn = (event: BeforeUnloadEvent) => {
      const { saving, unkept } = desk.getView()
      if (unkept && saving !== 'saved') event.preventDefault()
    }
    window.addEventListener('beforeunload', warn)
    return () => {
      window.removeEventListener('beforeunload', warn)
      desk.end()
    }
  }, [desk])
  return (
    <DeskContext value={desk}>
      <RevisionContext value={start.revision}>
        {/* On another edition of the model every station begins anew: what it reckoned was of the former one. */}
        <Fragment key={editionMark(model)}>{children}</Fragment>
      </RevisionContext>
    </DeskContext>
  )
}

/** The desk itself: for acting on the plan. */
export function useDesk(): PlanDesk {
  const desk = useContext(DeskContext)
  if (!desk) throw new Error('there is no plan on the desk here')
  return desk
}

/** The newest revision the server knows of: it moves on when the page is refreshed after a transfer. */
export function useRevision(): DeskStart['revision'] {
  return useContext(RevisionContext)
}

/** What the desk shows now. */
export function useDeskView(): DeskView {
  const desk = useDesk()
  return useSyncExternalStore(desk.subscribe, desk.getView, desk.getView)
}

/** Everything the checks find in the plan as it stands, what a reason settles left out. */
export function useFindings(): readonly Finding[] {
  const { start } = useDesk()
  const { plan } = useDeskView()
  return useMemo(() => stillOpen(lookedAt(start, plan).findings), [start, plan])
}

/** What the needs cost in the plan as it stands, in the posture chosen. */
export function useReach(): ReachReport {
  const { start } = useDesk()
  const { plan, posture } = useDeskView()
  return useMemo(() => reachedIn(start, plan, posture), [start, plan, posture])
}

/** What findings and reach would be if the plan were another: for a change that is still in the hand. */
export function useTrial(plan: Plan | null): { reach: ReachReport; findings: readonly Finding[] } | null {
  const { start } = useDesk()
  const { plan: now, posture } = useDeskView()
  return useMemo(() => plan && tried(start, now, plan, posture), [start, now, plan, posture])
}

/** The name under which the time of each trial is kept in the browser's own measures. */
export const trialMeasure = 'trial'

function tried(start: DeskStart, now: Plan, plan: Plan, posture: Posture) {
  const looked = lookedAt(start, now)
  const reached = reachedIn(start, now, posture)
  const begun = performance.now()
  const trial = {
    reach: reachAgain(reached, plan),
    findings: stillOpen(lookAgain(looked, plan).findings),
  }
  performance.measure(trialMeasure, { start: begun })
  return trial
}

/** What the needs cost; after a step only what the step touched is reckoned anew. */
function reachedIn(start: DeskStart, plan: Plan, posture: Posture): ReachReport {
  const kept = reaches.get(start) ?? new Map<Posture, ReachReport>()
  const before = kept.get(posture)
  const now = before ? reachAgain(before, plan) : reachOf(start.model, plan, start.lenses, posture)
  reaches.set(start, kept.set(posture, now))
  return now
}

const reaches = new WeakMap<DeskStart, Map<Posture, ReachReport>>()

/** The plan looked at; after a step only what the step touched is looked at anew. */
function lookedAt(start: DeskStart, plan: Plan): Looked {
  const before = looks.get(start)
  const now = before ? lookAgain(before, plan) : look(start.model, plan, start.lenses)
  looks.set(start, now)
  return now
}

const looks = new WeakMap<DeskStart, Looked>()
