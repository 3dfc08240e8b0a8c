import { runChecks } from '@/core/checks/checks'
import { Shelf } from '@/features/shelf/shelf'
import { ok } from '@/core/result'
import { listBodies } from '@/server/bodies'
import { listFiles } from '@/server/files'
import { definitions } from '@/server/models'
import { listPlans } from '@/server/plans'
import { reaching } from '@/server/requests'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'
import { bodyLine, when } from './lines'

export default async function ShelfPage() {
  const read = await reaching(async () => {
    const [plans, bodies, files] = await Promise.all([listPlans(), listBodies(), listFiles()])
    return ok({ plans, bodies, files })
  })
  if (!read.ok) return <Trouble title="The shelf cannot be read" refusal={read.refusal} address="/" />
  const { models, lenses, faults } = await definitions()
  const { plans, bodies, files } = read.value
  return (
    <>
      <TopBar>
        <p className="text-silt">Shelf</p>
      </TopBar>
      <Shelf
        plans={plans.map((plan) => {
          const findings = runChecks(plan.model, plan.plan, lenses)
          const count = (severity: string) =>
            findings.filter((finding) => finding.severity === severity).length
          return {
            id: plan.id,
            title: plan.title,
            model: `${plan.model.maker} ${plan.model.name}`,
            steps: plan.version,
            updated: when(plan.updatedAt),
            blocks: count('blocks'),
            trips: count('trips'),
          }
        })}
        bodies={bodies.map(bodyLine)}
        files={files.map((file) => ({ ...file, addedAt: when(file.addedAt) }))}
        models={models.map((model) => ({
          id: model.id,
          name: `${model.maker} ${model.name}`,
          version: model.version,
        }))}
        faults={faults}
      />
    </>
  )
}
