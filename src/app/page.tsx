import { runChecks } from '@/core/checks/checks'
import { Shelf } from '@/features/shelf/shelf'
import { ok } from '@/core/result'
import { listBodies } from '@/server/bodies'
import { listFiles } from '@/server/files'
import { definitions } from '@/server/models'
import { listPlans } from '@/server/plans'
import { reaching } from '@/server/requests'
import { endAbandoned } from '@/server/leases'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'
import { bodyLine, fileLine, when } from './lines'

/** How many of the newest files stand on the shelf itself. */
const filesShown = 12

export default async function ShelfPage() {
  const read = await reaching(async () => {
    await endAbandoned()
    const [plans, bodies, files, known] = await Promise.all([
      listPlans(),
      listBodies(),
      listFiles(1, filesShown),
      definitions(),
    ])
    return ok({ plans, files, ...bodies, ...known })
  })
  if (!read.ok) return <Trouble title="The shelf cannot be read" refusal={read.refusal} address="/" />
  const { plans, bodies, lost, files, models, lenses, faults } = read.value
  return (
    <>
      <TopBar>
        <p className="text-silt">Shelf</p>
      </TopBar>
      <Shelf
        plans={plans.flatMap((plan) => {
          if ('trouble' in plan) return []
          const findings = runChecks(plan.model, plan.plan, lenses)
          const count = (severity: string) =>
            findings.filter((finding) => finding.severity === severity).length
          return [
            {
              id: plan.id,
              title: plan.title,
              model: `${plan.model.maker} ${plan.model.name}`,
              steps: plan.version,
              updated: when(plan.updatedAt),
              blocks: count('blocks'),
              trips: count('trips'),
            },
          ]
        })}
        bodies={bodies.map(bodyLine)}
        files={files.files.map(fileLine)}
        fileCount={files.count}
        models={models.map((model) => ({
          id: model.id,
          name: `${model.maker} ${model.name}`,
          version: model.version,
        }))}
        faults={faults}
        unshown={[
          ...plans.flatMap((plan) =>
            'trouble' in plan ? [{ id: plan.id, name: plan.title, trouble: plan.trouble }] : [],
          ),
          ...lost,
        ]}
      />
    </>
  )
}
