'use client'

import { digestHex } from '@/core/digest'
import { canonicalJson } from '@/core/canonical-json'
import type { BodyLine, OpenCarryLine, RealLine } from '@/features/bodies'
import { useDesk, useDeskPart, usePlanPart } from '@/features/desk'
import { ByHand } from './by-hand'
import { CarryWork } from './carry-work'
import type { CarrySourceChoice, PastTransfer } from './sources'

/** The Carry station of a plan: the plan as it is, its revisions, files of its model and what other bodies hold. */
export function CarryStation({
  bodies,
  past,
  sources,
  real,
  carries,
}: {
  bodies: readonly BodyLine[]
  past: readonly PastTransfer[]
  /** What else can be carried besides the plan as it is. */
  sources: readonly CarrySourceChoice[]
  /** Real cameras of the model. */
  real: readonly RealLine[]
  /** Carries by hand that are under way. */
  carries: readonly OpenCarryLine[]
}) {
  const { start } = useDesk()
  const saving = useDeskPart('saving')
  const mark = usePlanPart(({ rows }) => digestHex(canonicalJson(rows)).slice(0, 12))
  const model = `${start.model.maker} ${start.model.name}`
  const plan = { id: `plan:${start.planId}`, words: 'This plan, as it is now', modelId: start.model.id }
  const isAllReal = real.length > 0 && !bodies.some(({ modelId }) => modelId === start.model.id)
  return (
    <>
      {!isAllReal && (
        <CarryWork
          given={{
            ...{ bodies, sources: [plan, ...sources], isSaved: saving === 'saved' },
            mark,
          }}
          past={past}
          none={`No ${model} is on the shelf. This plan can be carried to no other model: its files are read by a ${model} alone.`}
        />
      )}
      {real.length > 0 && <ByHand planId={start.planId} bodies={real} carries={carries} />}
    </>
  )
}
