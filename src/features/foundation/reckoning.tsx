'use client'

import { memo } from 'react'
import { ownerRow, rowValue } from '@/core/plan/rows'
import { operators } from '@/core/reach/operators'
import { weights } from '@/core/suggest/weights'
import { useDesk, usePlanPart } from '@/features/desk'
import { FigureLine, useOwn, type Figure } from './figure-line'
import { Check } from '@/ui/check'
import { NumberField } from '@/ui/number-field'

/** What everything is reckoned with: the target, the times of the hand, and what a suggestion weighs. All can be changed. */
export const Reckoning = memo(function Reckoning() {
  const desk = useDesk()
  const target = useOwn('target')
  const inFinder = desk.start.model.grids.filter((grid) => grid.inFinder)
  const counts = usePlanPart((plan) => rowValue(plan.rows, ownerRow('gridCounts')) === true)
  return (
    <aside aria-label="How it is reckoned" className="grid content-start gap-3">
      <section className="border bg-sheet px-4 py-3">
        <h2 className="font-head text-lead font-semibold">Your target</h2>
        <p className="mt-1 flex items-center justify-between gap-2">
          With the eye at the finder
          <span>
            <NumberField
              label="Target in percent"
              value={target.own}
              from={1}
              to={100}
              placeholder="none"
              onKeep={target.keep}
            />{' '}
            %
          </span>
        </p>
        {inFinder.length > 0 && (
          <Check
            checked={counts}
            onChange={() => desk.set({ [ownerRow('gridCounts')]: counts ? null : true })}
            className="mt-2"
          >
            {inFinder.map((grid) => grid.name).join(' and ')} in the finder counts as done at the finder
          </Check>
        )}
      </section>
      <Figures
        title="Seconds per action"
        note="Seconds. Measure yourself with a watch and write your own."
        figures={operators.map(({ id, words, seconds, source }) => ({ id, words, usual: seconds, source }))}
      />
      <Figures
        title="What a suggestion weighs"
        note="Besides the seconds of the hand; in seconds an outing where nothing else is said."
        figures={weights.map(({ id, words, unit, usual }) => ({
          id,
          words: unit === 'times' ? `${words} so many times` : words,
          usual,
          source: 'our own reckoning',
        }))}
      />
    </aside>
  )
})

function Figures({ title, note, figures }: { title: string; note: string; figures: readonly Figure[] }) {
  return (
    <section className="border bg-sheet px-4 py-3">
      <h2 className="font-head text-lead font-semibold">{title}</h2>
      <p className="text-small text-silt">{note}</p>
      <ul className="mt-1 divide-y">
        {figures.map((figure) => (
          <FigureLine key={figure.id} figure={figure} />
        ))}
      </ul>
    </section>
  )
}
