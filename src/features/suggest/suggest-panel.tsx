'use client'

import { idsOf, isForbidRow, isNeedRow, isNoteRow } from '@/core/plan/rows'
import { useState } from 'react'
import type { Agreement } from '@/core/suggest/agreement'
import { useDesk, useDeskView } from '@/features/desk'
import { Button } from '@/ui/button'
import { NumberField } from '@/ui/number-field'
import { AgreeWith } from './agree-with'
import { Answer } from './answer'
import { Progress } from './progress'
import { useSuggest } from './use-suggest'

/** Asks for the best arrangement of keys and menus, shows what one, two, three … changes save, and takes all or some. */
export function SuggestPanel({
  only,
  onGo,
}: {
  /** Fills the menus alone and leaves the keys as they are. */
  only?: 'menus'
  onGo: (address: string) => void
}) {
  const desk = useDesk()
  const { plan, posture } = useDeskView()
  const { model, lenses } = desk.start
  const { asked, ask, stop } = useSuggest()
  const [seconds, setSeconds] = useState(20)
  const [agreement, setAgreement] = useState<Agreement | null>(null)
  const question = {
    model,
    lenses,
    plan,
    posture,
    ...(only ? { only } : {}),
    ...(agreement ? { agreement } : {}),
  }
  const locked = idsOf(plan.rows).filter((row) => isNoteRow(row, 'lock')).length
  const forbidden = idsOf(plan.rows).filter((row) => isForbidRow(row)).length
  if (!idsOf(plan.rows).some((row) => isNeedRow(row)))
    return (
      <p className="text-silt">
        A suggestion weighs what you adjust, and nothing is said of that yet. Choose what you shoot, above.
      </p>
    )
  return (
    <div className="grid gap-3">
      <section>
        <h2 className="font-head text-lead font-semibold">
          {only ? 'Fill from the gaps' : 'The best arrangement'}
        </h2>
        <p className="mt-1 text-silt">
          {only
            ? 'What your keys do not reach, put where it costs the fewest presses; the keys stay as they are.'
            : 'Keys, function menus and own menu together, so that your needs cost the fewest seconds an outing.'}{' '}
          It is proven, not guessed.
          {locked + forbidden > 0 && ` Heeds ${locked} locked and ${forbidden} forbidden.`}
        </p>
        {!only && <AgreeWith planId={desk.start.planId} onChoose={setAgreement} />}
        <p className="mt-2 flex items-center gap-2">
          {asked?.running ? (
            <Button onClick={stop}>Stop</Button>
          ) : (
            <Button main onClick={() => void ask(question, seconds)}>
              {only ? 'Fill' : 'Suggest'}
              {asked ? ' again' : ''}
            </Button>
          )}
          <span className="text-small text-silt">
            <NumberField
              label="Seconds at most"
              value={seconds}
              from={1}
              to={600}
              onKeep={(value) => setSeconds(value ?? 20)}
              className="w-12"
            />{' '}
            s at most
          </span>
        </p>
      </section>
      {asked && <Progress asked={asked} seconds={seconds} />}
      {asked && asked.curve.length > 0 && <Answer asked={asked} onGo={onGo} />}
    </div>
  )
}
