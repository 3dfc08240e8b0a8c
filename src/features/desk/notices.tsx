'use client'

import { planValue } from '@/core/plan/kind'
import type { Refusal } from '@/core/result'
import { describeRow, describeStep, showRow } from '@/core/plan/rows'
import { Button } from '@/ui/button'
import { later } from '@/ui/later'
import { useDesk, useDeskPart } from './desk-context'
import { DocumentNotices } from '@/features/documents'
import { Notice } from '@/features/documents'
import { openAsNew } from './open-as-new'
import type { PlanDesk } from './plan-desk'

// Seldom needed, and never without the server that has it.
const EditionNotice = later(() => import('./edition-notice').then((one) => one.EditionNotice))

/** What needs an answer before going on with the plan. */
export function Notices() {
  const desk = useDesk()
  const fault = useDeskPart('fault')
  const { model, newerEdition } = desk.start
  return (
    <DocumentNotices
      desk={desk}
      words={{
        name: 'plan',
        value: planValue,
        describeRow: (row) => describeRow(model, row),
        showRow: (row, value) => showRow(model, row, value),
        describeStep: (step) => describeStep(model, step),
      }}
      keep={{ label: 'Keep mine as a new plan', act: () => keepAsNew(desk) }}
      before={
        fault && (
          <Notice title="Not worked out." ways={<Button onClick={() => desk.again()}>Try again</Button>}>
            What this page works out in the background failed: {fault.words}. Your plan is not touched by it.
          </Notice>
        )
      }
      after={newerEdition !== null && <EditionNotice />}
    />
  )
}

/** Opens the plan as it stands here as a plan of its own, and goes there. */
async function keepAsNew(desk: PlanDesk): Promise<Refusal | null> {
  const { writePlanFile } = await import('@/core/files/plan-file')
  const address = await openAsNew(writePlanFile({ plan: desk.getView().document, revision: null }))
  if (typeof address !== 'string') return address
  await desk.giveUp()
  location.assign(address)
  return null
}
