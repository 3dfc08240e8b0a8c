'use client'

import {
  createContext,
  Fragment,
  use,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { canonicalJson } from '@/core/canonical-json'
import type { Inventory } from '@/core/inventory/rows'
import { editionMark } from '@/core/plan/kind'
import { planTitle, type Plan } from '@/core/plan/plan'
import type { BodyModel, LensModel } from '@/core/model/types'
import { sharer } from '@/ui/use-shared'
import { delivered } from './delivered'
import { httpServer } from './http-server'
import { onInventoryNews } from './inventory-news'
import { PlanDesk, type DeskStart, type DeskView } from './plan-desk'
import { inThisBrowser, useUnderWork } from '@/features/documents'

export const DeskContext = createContext<PlanDesk | null>(null)
export const RevisionContext = createContext<DeskStart['revision']>(null)

/** Where the definitions that a plan stands on are delivered. */
export interface DefinitionsAt {
  readonly model: string
  readonly lenses: string
}

/** What a page of a plan is given by the server. */
export interface PlanGiven {
  readonly definitionsAt: DefinitionsAt
  readonly start: Omit<DeskStart, 'model' | 'lenses'>
}

/** The same, of which a page on the server sends all that it gives as one text: React would take it apart and put it together again value by value. */
export function SentDeskProvider({ sent, children }: { sent: string; children: ReactNode }) {
  const given = useMemo(() => JSON.parse(sent) as PlanGiven, [sent])
  return <DeskProvider given={given}>{children}</DeskProvider>
}

/** Holds the plan under work for every station below it; its model and lenses come from addresses of their own. */
export function DeskProvider({
  given,
  isCopy = false,
  children,
}: {
  given: PlanGiven
  /** Whether all of it is the copy of this device. */
  isCopy?: boolean
  children: ReactNode
}) {
  const { definitionsAt, start } = given
  const standsOn = use(delivered<BodyModel>(definitionsAt.model))
  const lenses = use(delivered<readonly LensModel[]>(definitionsAt.lenses))
  const [desk] = useState(
    () =>
      new PlanDesk(
        { ...start, model: standsOn, lenses },
        httpServer(start.planId),
        inThisBrowser(start.planId, isCopy),
      ),
  )
  const { model, lenses: there } = useSyncExternalStore(desk.subscribe, desk.getStart, desk.getStart)
  useInventoryNews(desk)
  const { epoch, version } = start
  const isWhole = useUnderWork(
    desk,
    start.planId,
    isCopy
      ? null
      : {
          ...{ page: `/plans/${start.planId}`, name: planTitle(start.plan), given, epoch, version },
          needs: Object.values(definitionsAt) as string[],
        },
  )
  return (
    <DeskContext value={desk}>
      <RevisionContext value={start.revision}>
        {/* On another edition of the model, and with other lenses, every station begins anew: what it reckoned was of the former ones. */}
        <Fragment key={`${editionMark(model)} ${canonicalJson(there)}`}>{isWhole && children}</Fragment>
      </RevisionContext>
    </DeskContext>
  )
}

/** An inventory that is changed in another tab takes effect here at once. */
function useInventoryNews(desk: PlanDesk): void {
  useEffect(
    () =>
      onInventoryNews(async () => {
        const response = await fetch('/api/inventory').catch(() => null)
        if (!response?.ok) return
        const { inventory } = (await response.json()) as { inventory: Inventory }
        desk.equip(inventory)
      }),
    [desk],
  )
}

/** The desk itself: for acting on the plan. */
export function useDesk(): PlanDesk {
  const desk = useContext(DeskContext)
  if (!desk) throw new Error('there is no plan on the desk here')
  return desk
}

/** What the desk began with, as it stands now: the model, the lenses, what the owner has. */
export function useDeskStart(): DeskStart {
  const desk = useDesk()
  return useSyncExternalStore(desk.subscribe, desk.getStart, desk.getStart)
}

/** The newest revision the server knows of: it moves on when the page is refreshed after a transfer. */
export function useRevision(): DeskStart['revision'] {
  return useContext(RevisionContext)
}

/** One part of what the desk shows; whoever reads it is drawn again only when that part changes. */
export function useDeskPart<K extends keyof DeskView>(part: K): DeskView[K] {
  const desk = useDesk()
  const read = () => desk.getView()[part]
  return useSyncExternalStore(desk.subscribe, read, read)
}

/** What is read of the plan; whoever reads it is drawn again only when that changes, and what did not change in it stays the same object. */
export function usePlanPart<T>(read: (plan: Plan) => T): T {
  const desk = useDesk()
  const [shared] = useState(() => sharer<T>())
  const now = onceEachPlan(desk, (plan) => shared(read(plan)))
  return useSyncExternalStore(desk.subscribe, now, now)
}

/** Reads something of the plan on a desk: once for each plan, however often it is asked. */
function onceEachPlan<T>(desk: PlanDesk, read: (plan: Plan) => T): () => T {
  let last: { readonly plan: Plan; readonly value: T } | null = null
  return () => {
    const { plan } = desk.getView()
    if (last?.plan !== plan) last = { plan, value: read(plan) }
    return last.value
  }
}

/** The plan as it stands now. */
export function usePlan(): DeskView['plan'] {
  return useDeskPart('plan')
}
