'use client'

import { type OwnerFact, ownerRange, ownerRow, rowValue } from '@/core/plan/rows'
import { operators } from '@/core/reach/operators'
import { weights } from '@/core/suggest/weights'
import { useDesk, usePlan } from '@/features/desk'
import { Check } from '@/ui/check'
import { NumberField } from '@/ui/number-field'

/** What everything is reckoned with: the target, the times of the hand, and what a suggestion weighs. All can be changed. */
export function Reckoning() {
  const desk = useDesk()
  const plan = usePlan()
  const own = (fact: OwnerFact) => {
    const value = rowValue(plan.rows, ownerRow(fact))
    return typeof value === 'number' ? value : null
  }
  const keep = (fact: OwnerFact) => (value: number | null) => desk.set({ [ownerRow(fact)]: value })
  const inFinder = desk.start.model.grids.filter((grid) => grid.inFinder)
  const counts = rowValue(plan.rows, ownerRow('gridCounts')) === true
  return (
    <aside aria-label="How it is reckoned" className="grid content-start gap-3">
      <section className="border bg-sheet px-4 py-3">
        <h2 className="font-head text-lead font-semibold">Your target</h2>
        <p className="mt-1 flex items-center justify-between gap-2">
          At the finder, by use
          <span>
            <NumberField
              label="Target in percent"
              value={own('target')}
              from={1}
              to={100}
              placeholder="none"
              onKeep={keep('target')}
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
        title="Times of the hand"
        note="Seconds. Measure yourself with a watch and write your own."
        rows={operators.map(({ id, words, seconds, source }) => ({
          id,
          words,
          usual: seconds,
          own: own(id),
          source,
        }))}
        keep={keep}
      />
      <Figures
        title="What a suggestion weighs"
        note="Besides the seconds of the hand; in seconds an outing where nothing else is said."
        rows={weights.map(({ id, words, unit, usual }) => ({
          id,
          words: unit === 'times' ? `${words} so many times` : words,
          usual,
          own: own(id),
          source: 'our own reckoning',
        }))}
        keep={keep}
      />
    </aside>
  )
}

interface FigureRow {
  readonly id: OwnerFact
  readonly words: string
  readonly usual: number
  readonly own: number | null
  readonly source: string
}

function Figures({
  title,
  note,
  rows,
  keep,
}: {
  title: string
  note: string
  rows: readonly FigureRow[]
  keep: (fact: OwnerFact) => (value: number | null) => void
}) {
  return (
    <section className="border bg-sheet px-4 py-3">
      <h2 className="font-head text-lead font-semibold">{title}</h2>
      <p className="text-small text-silt">{note}</p>
      <ul className="mt-1 divide-y">
        {rows.map(({ id, words, usual, own, source }) => (
          <li key={id} className="flex items-center justify-between gap-2 py-1">
            <span className="leading-tight">
              {words}
              <span className="block text-small text-silt">
                {own === null ? source : `yours; usual ${usual}`}
              </span>
            </span>
            <NumberField
              label={words}
              value={own}
              from={ownerRange(id)[0]}
              to={ownerRange(id)[1]}
              placeholder={String(usual)}
              onKeep={keep(id)}
            />
          </li>
        ))}
      </ul>
    </section>
  )
}
