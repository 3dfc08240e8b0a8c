import { CarryStation } from '@/features/carry/carry-station'
import { cardConditionOf, listBodies } from '@/server/bodies'
import { listTransfers } from '@/server/transfers'

export default async function CarryPage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const [bodies, past] = await Promise.all([listBodies(), listTransfers(plan)])
  return (
    <CarryStation
      bodies={bodies.map((body) => ({
        id: body.id,
        name: body.name,
        place: body.place,
        model: `${body.model.maker} ${body.model.name}`,
        serial: body.state.serial,
        firmware: body.state.firmware,
        card: cardConditionOf(body.state),
        last:
          body.lastTransfer && `last: revision ${body.lastTransfer.revision}, ${body.lastTransfer.outcome}`,
      }))}
      past={past.map((one) => ({
        ...one,
        startedAt: one.startedAt.toISOString().slice(0, 16).replace('T', ' '),
      }))}
    />
  )
}
