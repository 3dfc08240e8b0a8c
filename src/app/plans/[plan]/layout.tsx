import type { Metadata } from 'next'
import type { ReactNode } from 'react'
import { planTitle } from '@/core/plan/plan'
import { DeskProvider } from '@/features/desk/desk-context'
import { Notices } from '@/features/desk/notices'
import { PlanBar } from '@/features/desk/plan-bar'
import { definitions } from '@/server/models'
import { loadPlan } from '@/server/plans'
import { reaching } from '@/server/requests'
import { Trouble } from '@/ui/trouble'

type Props = { params: Promise<{ plan: string }>; children: ReactNode }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { plan } = await params
  const stored = await reaching(() => loadPlan(plan))
  return { title: stored.ok ? planTitle(stored.value.plan) : 'No plan here' }
}

export default async function PlanLayout({ params, children }: Props) {
  const { plan } = await params
  const stored = await reaching(() => loadPlan(plan))
  if (!stored.ok)
    return <Trouble title="This plan cannot be shown" refusal={stored.refusal} address={`/plans/${plan}`} />
  const { lenses } = await definitions()
  const { id, ...rest } = stored.value
  return (
    <DeskProvider start={{ planId: id, lenses, ...rest }}>
      <PlanBar />
      <Notices />
      {children}
    </DeskProvider>
  )
}
