import { bodyLine, transferLine } from '@/app/lines'
import { ok } from '@/core/result'
import { CarryStation } from '@/features/carry'
import { choicesBesides } from '@/server/carry-choices'
import { isUuid } from '@/server/db'
import { withDatabase } from '@/server/requests'
import { endAbandoned } from '@/server/leases'
import { listTransfers } from '@/server/transfer-log'
import { Trouble } from '@/ui/trouble'

export default async function CarryPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const read = await withDatabase(async () => {
    await endAbandoned()
    const [choices, past] = await Promise.all([
      choicesBesides(plan),
      isUuid(plan) ? listTransfers({ plan }) : [],
    ])
    return ok({ ...choices, past })
  })
  if (!read.ok)
    return (
      <Trouble title="The bodies cannot be read" refusal={read.refusal} address={`/plans/${plan}/carry`} />
    )
  const { bodies, past, sources } = read.value
  return <CarryStation bodies={bodies.map(bodyLine)} past={past.map(transferLine)} sources={sources} />
}
