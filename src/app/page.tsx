import { headers } from 'next/headers'
import { FindBox } from '@/features/desk'
import { OtherDevices } from '@/features/devices'
import { Shelf } from '@/features/shelf'
import { ok } from '@/core/result'
import { readySets } from '@/core/vocabulary/situations'
import { listBodies } from '@/server/bodies'
import { mismatchesOf } from '@/server/body-known'
import { listFiles } from '@/server/files'
import { devicesKnown } from '@/server/door/known'
import { deviceHeader } from '@/server/door/state'
import { loadInventory } from '@/server/inventory'
import { definitions } from '@/server/models'
import { withDatabase } from '@/server/requests'
import { endAbandoned } from '@/server/leases'
import { deletedPlans, listPlans } from '@/server/summaries'
import { listRealBodies } from '@/server/real-bodies'
import { waitingTransfers } from '@/server/transfer-log'
import { AskAgain } from '@/ui/ask-again'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'
import { bodyLine, fileLine, pageNumber, realLine } from './lines'

/** How many of the newest files stand on the shelf itself, and how many plans on one page of it. */
const filesShown = 12
const plansShown = 24

interface Asked {
  readonly page?: string
  readonly find?: string
}

export default async function ShelfPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const { page: wanted, find = '' } = await searchParams
  const asking = (await headers()).get(deviceHeader)
  const page = pageNumber(wanted)
  const read = await withDatabase(async () => {
    await endAbandoned()
    const [found, deleted, bodies, files, known, owned, devices, waiting, real] = await Promise.all([
      listPlans(page, plansShown, find),
      deletedPlans(),
      listBodies(),
      listFiles(1, filesShown),
      definitions(),
      loadInventory(),
      devicesKnown(asking),
      waitingTransfers(),
      listRealBodies(),
    ])
    return ok({ ...found, deleted, files, ...bodies, ...known, owned, devices, waiting, real })
  })
  if (!read.ok) return <Trouble title="The shelf cannot be read" refusal={read.refusal} address="/" />
  const { plans, count, deleted, bodies, lost, files, models, faults, owned, devices, waiting, real } =
    read.value
  const named = (id: string) => {
    const model = models.find((one) => one.id === id)
    return model ? `${model.maker} ${model.name}` : id
  }
  const shown = plans.filter(({ trouble }) => trouble === null)
  return (
    <>
      <TopBar actions={<FindBox on="shelf" />}>
        <p className="text-silt">Shelf</p>
      </TopBar>
      <AskAgain waits={shown.some(({ counts }) => counts === null)} />
      <Shelf
        plans={shown.map((plan) => ({
          id: plan.id,
          title: plan.title,
          purpose: plan.purpose,
          work: plan.work,
          modelId: plan.modelId,
          model: named(plan.modelId),
          proven: plan.proven && { body: plan.proven.body, at: plan.proven.at.toISOString() },
          updated: plan.updatedAt.toISOString(),
          counts: plan.counts,
        }))}
        pages={{ page, count: Math.max(1, Math.ceil(count / plansShown)), find, plans: count }}
        bodies={bodies.map(bodyLine)}
        real={real.map(realLine)}
        files={files.files.map(fileLine)}
        fileCount={files.count}
        models={models.map(({ id, maker, name, sides, faces, controls }) => ({
          ...{ id, sides, faces, controls },
          name: `${maker} ${name}`,
        }))}
        work={readySets.map(({ id, name, side }) => ({ id, name, side }))}
        deleted={deleted.map(({ id, title, modelId }) => ({ id, title, model: named(modelId) }))}
        faults={faults}
        mismatches={mismatchesOf(bodies)}
        waiting={waiting.map(({ id, bodyName, source }) => ({ id, bodyName, source }))}
        aside={<OtherDevices known={devices} />}
        unshown={[
          ...plans.flatMap(({ id, title, trouble }) => (trouble ? [{ id, name: title, trouble }] : [])),
          ...lost,
          ...(owned.ok ? [] : [{ id: 'inventory', name: 'The inventory', trouble: owned.refusal }]),
        ]}
      />
    </>
  )
}
