'use client'

import { useMemo } from 'react'
import type { FinderPicture } from '@/core/focus/finder'
import { schemeDispute } from '@/core/focus/schemes'
import { lookup } from '@/core/model/lookup'
import type { StateValues } from '@/core/analysis/questions'
import { disputes } from '@/core/vocabulary/schools'
import { useDesk, useDeskPart } from '@/features/desk'
import { Question } from '@/features/questions'

/** Where owners differ about focus: each question with its settings as they are here, and the reason of every side. */
export function QuestionPanel({
  state,
  picture,
}: {
  /** The state looked at; null until it is known. */
  state: StateValues | null
  picture: FinderPicture | null
}) {
  const { model } = useDesk().start
  const side = useDeskPart('side')
  const asked = useMemo(
    () =>
      disputes.filter(
        ({ id, settings }) =>
          id !== schemeDispute &&
          settings.some(
            (means) =>
              (means.startsWith('focus.') || means === 'exposure.meterFollowsSubject') &&
              lookup(model).byMeaning.has(means),
          ),
      ),
    [model],
  )
  return (
    <div className="grid gap-2">
      {picture && (
        <p className="text-small text-silt">
          From the middle to the farthest corner the area goes in{' '}
          <b className="text-ink tabular-nums">{picture.movesToCorner}</b>{' '}
          {picture.movesToCorner === 1 ? 'move' : 'moves'} of the stick.
        </p>
      )}
      {asked.map((dispute) => (
        <Question key={dispute.id} dispute={dispute} side={side} state={state} />
      ))}
    </div>
  )
}
