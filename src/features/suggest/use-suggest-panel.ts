'use client'

import { useMemo, useState } from 'react'
import { idsOf, isForbidRow, isNeedRow, isNoteRow } from '@/core/plan/rows'
import type { Agreement } from '@/core/suggest/agreement'
import { withAssumedModes } from '@/core/suggest/assumed'
import { useDesk, useDeskPart, usePlan } from '@/features/desk'
import { useSuggest } from './use-suggest'

/** What the panel of the best arrangement knows and does: the question as it stands, what it has to heed, and its answer. */
export function useSuggestPanel(only: 'menus' | undefined) {
  const desk = useDesk()
  const plan = usePlan()
  const posture = useDeskPart('posture')
  const { model, lenses, planId } = desk.start
  const { run, ask, stop } = useSuggest()
  const [seconds, setSeconds] = useState(20)
  const [agreement, setAgreement] = useState<Agreement | null>(null)
  const [letGo, setLetGo] = useState(false)
  const weighed = useMemo(() => withAssumedModes(model, plan), [model, plan])
  const question = {
    model,
    lenses,
    plan: weighed.plan,
    posture,
    letGo,
    ...(only ? { only } : {}),
    ...(agreement ? { agreement } : {}),
  }
  const rows = idsOf(plan.rows)
  return {
    planId,
    run,
    ask: () => ask(plan, question, seconds),
    /** Modes that the plan does not say, and that are reckoned with. */
    assumed: weighed.assumed,
    letGo,
    setLetGo,
    stop,
    seconds,
    setSeconds,
    setAgreement,
    /** Whether there is anything to weigh. */
    hasNeeds: rows.some(isNeedRow),
    locked: rows.filter((row) => isNoteRow(row, 'lock')).length,
    forbidden: rows.filter((row) => isForbidRow(row)).length,
  }
}
