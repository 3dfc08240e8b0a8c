import { bodyLine, openCarryLine, realLine, transferLine } from '@/app/lines'
import { ok } from '@/core/result'
import { CarryStation } from '@/features/carry'
import { choicesBesides } from '@/server/carry-choices'
import { isUuid } from '@/server/db'
import { withDatabase } from '@/server/requests'
import { endAbandoned } from '@/server/leases'
import { listRealBodies, openCarries } from '@/server/real-bodies'
import { listTransfers } from '@/server/transfer-log'
import { Trouble } from '@/ui/trouble'

export default async function CarryPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const read = await withDatabase(async () => {
    await endAbandoned()
    const [choices, past, real, carries] = await Promise.all([
      choicesBesides(plan),
      isUuid(plan) ? listTransfers({ plan }) : [],
      listRealBodies(),
      openCarries(),
    ])
    return ok({
      ...{ ...choices, past },
      real: real.filter(({ model }) => model.id === choices.modelId),
      carries: carries.filter(({ planId }) => planId === plan),
    })
  })
  if (!read.ok)
    return (
      <Trouble title="The bodies cannot be read" refusal={read.refusal} address={`/plans/${plan}/carry`} />
    )
  const { bodies, past, sources, real, carries } = read.value
  return (
    <CarryStation
      bodies={bodies.map(bodyLine)}
      past={past.map(transferLine)}
      sources={sources}
      real={real.map(realLine)}
      carries={carries.map((one) => openCarryLine(one, real))}
    />
  )
}
