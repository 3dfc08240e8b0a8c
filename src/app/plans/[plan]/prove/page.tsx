import { ok } from '@/core/result'
import { ProveStation } from '@/features/prove'
import { isUuid } from '@/server/db'
import { withDatabase } from '@/server/requests'
import { believedOf, listWalks } from '@/server/walks'
import { Trouble } from '@/ui/trouble'

export default async function ProvePage({ params }: { params: Promise<{ plan: string }> }) {
  const { plan } = await params
  const read = await withDatabase(async () => {
    const [walks, held] = await Promise.all([isUuid(plan) ? listWalks(plan) : [], believedOf(plan)])
    return ok({ walks, held })
  })
  if (!read.ok)
    return (
      <Trouble title="The walks cannot be read" refusal={read.refusal} address={`/plans/${plan}/prove`} />
    )
  const { walks, held } = read.value
  return (
    <ProveStation
      known={{
        held,
        walks: walks.map(
          ({ id, body, procedure, place, start, revision, updatedAt, endedAt, walk, done }) => ({
            ...{ id, body, procedure, place, start, revision, walk, done },
            updatedAt: updatedAt.toISOString(),
            endedAt: endedAt?.toISOString() ?? null,
          }),
        ),
      }}
    />
  )
}
