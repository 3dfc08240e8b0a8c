import { ok } from '@/core/result'
import { SheetsStation } from '@/features/sheets'
import { withDatabase } from '@/server/requests'
import { listRevisions } from '@/server/revisions'
import { believedOf } from '@/server/walks'
import { Trouble } from '@/ui/trouble'

export default async function SheetsPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const read = await withDatabase(async () => {
    const [revisions, held] = await Promise.all([listRevisions(plan), believedOf(plan)])
    return ok({ revisions, held })
  })
  if (!read.ok)
    return (
      <Trouble title="The sheets cannot be made" refusal={read.refusal} address={`/plans/${plan}/sheets`} />
    )
  const { revisions, held } = read.value
  return (
    <SheetsStation
      known={{ held, revisions: revisions.map((one) => ({ ...one, at: one.at.toISOString() })) }}
    />
  )
}
