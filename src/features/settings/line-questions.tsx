'use client'

import { isOfSide } from '@/core/checks/finding'
import type { Setting } from '@/core/model/types'
import { disputes } from '@/core/vocabulary/schools'
import { useDesk, useDeskPart } from '@/features/desk'
import { Question } from '@/features/questions'

/** What owners answer differently about a setting, with the reason of every side. */
export function LineQuestions({ setting }: { setting: Setting }) {
  const { model } = useDesk().start
  const inHand = useDeskPart('side')
  const { means } = setting
  const asked = disputes.filter(({ settings }) => means !== null && settings.includes(means))
  if (asked.length === 0) return null
  const counts = model.sides.filter((side) => isOfSide(setting, side))
  const side = counts.includes(inHand) ? inHand : (counts[0] ?? inHand)
  return (
    <div role="group" aria-label="Owners differ" className="grid gap-1.5">
      <p className="text-small text-silt">Owners differ</p>
      {asked.map((dispute) => (
        <Question key={dispute.id} dispute={dispute} side={side} state={null} hasFields={false} />
      ))}
    </div>
  )
}
