import { redirect } from 'next/navigation'

export default async function PlanPage({ params }: { params: Promise<{ plan: string }> }) {
  redirect(`/plans/${(await params).plan}/controls`)
}
