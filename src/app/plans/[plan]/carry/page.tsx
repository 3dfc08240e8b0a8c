import { bodyLine } from '@/app/lines'
import { ok } from '@/core/result'
import { CarryStation } from '@/features/carry'
import { listBodies } from '@/server/bodies'
import { isUuid } from '@/server/db'
import { withDatabase } from '@/server/requests'
import { endAbandoned } from '@/server/leases'
import { listTransfers } from '@/server/transfer-log'
import { Trouble } from '@/ui/trouble'

export default async function CarryPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const read = await withDatabase(async () => {
    await endAbandoned()
    const [{ bodies }, past] = await Promise.all([listBodies(), isUuid(plan) ? listTransfers(plan) : []])
    return ok({ bodies, past })
  })
  if (!read.ok)
    return (
      <Trouble title="The bodies cannot be read" refusal={read.refusal} address={`/plans/${plan}/carry`} />
    )
  return (
    <CarryStation
      bodies={read.value.bodies.map(bodyLine)}
      past={read.value.past.map((one) => ({ ...one, startedAt: one.startedAt.toISOString() }))}
    />
  )
}
