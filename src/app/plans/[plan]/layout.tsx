import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { cache, type ReactNode } from 'react'
import { preload } from 'react-dom'
import { planTitle } from '@/core/plan/plan'
import { ok } from '@/core/result'
import {
  AnalysisProvider,
  deliver,
  Notices,
  PlanBar,
  SentDeskProvider,
  type PlanGiven,
} from '@/features/desk'
import { definitions, digestOf, digestOfLenses } from '@/server/models'
import { inventoryNow } from '@/server/inventory'
import { loadPlan } from '@/server/plans'
import { withDatabase } from '@/server/requests'
import { findingsKept } from '@/server/summaries'
import { Trouble } from '@/ui/trouble'

type Props = { params: Promise<{ plan: string }>; children: ReactNode }

/** The plan and what is on the shelf beside it, read once for the title and the page. */
const planAt = cache((plan: string) =>
  withDatabase(async () => {
    const [stored, { models, lenses }, { inventory }, kept] = await Promise.all([
      loadPlan(plan),
      definitions(),
      inventoryNow(),
      findingsKept(plan),
    ])
    if (!stored.ok) return stored
    const { id, version } = stored.value.model
    const newer = models.find((model) => model.id === id && model.version > version) ?? null
    const found = kept?.version === stored.value.version ? kept.findings : null
    return ok({ stored: stored.value, lenses, inventory, found, newer: newer && newer.version })
  }),
)

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { plan } = await params
  const stored = await planAt(plan)
  return { title: stored.ok ? planTitle(stored.value.stored.plan) : 'No plan here' }
}

export default async function PlanLayout({ params, children }: Props) {
  const { plan } = await params
  const stored = await planAt(plan)
  if (!stored.ok && stored.refusal.code === 'unknown-plan') notFound()
  if (!stored.ok)
    return <Trouble title="This plan cannot be shown" refusal={stored.refusal} address={`/plans/${plan}`} />
  const { lenses, inventory, found, newer } = stored.value
  const { id, model, plan: planned, ...rest } = stored.value.stored
  const address = `/api/models/${model.id}/${model.version}?digest=${digestOf(model)}`
  const definitionsAt = {
    model: deliver(address, model),
    lenses: deliver(`/api/lenses?digest=${digestOfLenses(lenses)}`, lenses),
  }
  for (const one of Object.values(definitionsAt)) preload(one, { as: 'fetch', crossOrigin: 'anonymous' })
  const start = { planId: id, plan: planned, newerEdition: newer, inventory, found, ...rest }
  const given: PlanGiven = { definitionsAt, start }
  return (
    <SentDeskProvider sent={JSON.stringify(given)}>
      <AnalysisProvider>
        <PlanBar />
        <Notices />
        {children}
      </AnalysisProvider>
    </SentDeskProvider>
  )
}
