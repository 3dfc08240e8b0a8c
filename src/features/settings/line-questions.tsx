'use client'

import { isOfSide } from '@/core/model/sides'
import { lookup } from '@/core/model/lookup'
import type { Setting } from '@/core/model/types'
import { disputes, disputesOf } from '@/core/vocabulary/schools'
import { subjectOf, type Subject } from '@/core/vocabulary/subjects'
import { FindingCard, findingKey, useDesk, useDeskPart, useFindings } from '@/features/desk'
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

/** A subject: what is decided on it, what nearly all agree on and is set otherwise, and where owners differ. */
export function SubjectQuestions({ subject }: { subject: Subject }) {
  const { model } = useDesk().start
  const side = useDeskPart('side')
  const findings = useFindings()
  const { byMeaning, settings } = lookup(model)
  const asked = disputesOf(subject.id).filter(
    ({ settings: of }) => of.length === 0 || of.some((means) => byMeaning.has(means)),
  )
  const agreed = (findings ?? []).filter(
    ({ check, about }) =>
      check === 'agreed-default' && subjectOf(settings.get(about ?? '')?.means ?? null)?.id === subject.id,
  )
  return (
    <section aria-label={subject.name} className="grid gap-2 border bg-sheet px-4 py-3">
      <h2 className="font-head text-lead font-semibold">{subject.name}</h2>
      <p className="text-silt">{subject.purpose}</p>
      {agreed.map((finding) => (
        <FindingCard key={findingKey(finding)} finding={finding} />
      ))}
      {asked.length > 0 && <p className="text-small text-silt">Owners differ</p>}
      {asked.map((dispute) => (
        <Question key={dispute.id} dispute={dispute} side={side} state={null} />
      ))}
    </section>
  )
}
