import { bodyLine, when } from '@/app/lines'
import { CarryStation } from '@/features/carry/carry-station'
import { listBodies } from '@/server/bodies'
import { listTransfers } from '@/server/transfers'

export default async function CarryPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const [bodies, past] = await Promise.all([listBodies(), listTransfers(plan)])
  return (
    <CarryStation
      bodies={bodies.map(bodyLine)}
      past={past.map((one) => ({ ...one, startedAt: when(one.startedAt) }))}
    />
  )
}
