'use client'

import { memo } from 'react'
import { advisers } from '@/core/advise/table'
import { choicePlace } from '@/core/numbers/address'
import { numberGroups, type NumberGroup } from '@/core/numbers/form'
import { numberTable } from '@/core/numbers/table'
import { Select } from '@/ui/select'
import { AdviceSheet } from './advice-sheet'
import { FormatsSheet } from './formats-sheet'
import { NumberSheet } from './number-sheet'
import { WishSheet } from './wish-sheet'
import { useNumbers, type Numbers } from './use-numbers'

const groups = Object.keys(numberGroups) as NumberGroup[]

/** The figures of a plan: each with what is known put in already, its formula, and what it comes to. */
export function NumbersPage() {
  const numbers = useNumbers()
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[300px_minmax(0,1fr)]">
      <section aria-label="Figures">
        <h1 className="font-head text-title font-semibold">Numbers</h1>
        <p className="mt-1 text-small text-silt">
          What light asks for, what a card holds, which choice suits the work. What your plan, your situations
          and your gear say is put in already.
        </p>
        <PlaceChoice places={numbers.places} place={numbers.place} goTo={numbers.goTo} />
        <Select
          label="Figure"
          value={numbers.inHand}
          options={[
            ...choices.map((one) => [choicePlace(one.id), one.name] as const),
            ...numberTable.map((one) => [one.id, one.name] as const),
          ]}
          onPick={numbers.choose}
          className="mt-2 min-h-11 w-full rounded-md border bg-sheet px-2 lg:hidden"
        />
        <AdviserList inHand={numbers.inHand} choose={numbers.choose} />
        <NumberList inHand={numbers.inHand} choose={numbers.choose} shorts={numbers.shorts} />
      </section>
      {numbers.ownSheet === 'wish' ? (
        <WishSheet numbers={numbers} />
      ) : numbers.ownSheet === 'formats' ? (
        <FormatsSheet numbers={numbers} />
      ) : numbers.adviser ? (
        <AdviceSheet numbers={numbers} />
      ) : (
        <NumberSheet numbers={numbers} />
      )}
    </main>
  )
}

/** Where the figures are asked: a situation, base, or a bank. */
const PlaceChoice = memo(function PlaceChoice({
  places,
  place,
  goTo,
}: Pick<Numbers, 'places' | 'place' | 'goTo'>) {
  if (places.length < 2 || place === null) return null
  return (
    <label className="mt-2 flex items-center gap-2">
      <span className="text-small text-silt">In</span>
      <Select
        label="In"
        value={place}
        options={places.map(({ id, name }) => [id, name] as const)}
        onPick={goTo}
        className="min-h-9 w-full min-w-0 rounded-md border bg-sheet px-2 pointer-coarse:min-h-11"
      />
    </label>
  )
})

/** Every choice: of a setting, and where a need is put. */
const choices = [
  ...advisers,
  { id: 'formats', name: 'Film formats side by side' },
  { id: 'wish', name: 'Where to put a need' },
]

const lineStyle =
  'flex min-h-8 w-full items-baseline gap-2 border-b px-2 py-0.5 text-left hover:text-brine aria-pressed:bg-sheet aria-pressed:font-semibold aria-pressed:shadow-[inset_3px_0_0_var(--brine)] pointer-coarse:min-h-11'

/** The choices an owner is advised in. */
const AdviserList = memo(function AdviserList({ inHand, choose }: Pick<Numbers, 'inHand' | 'choose'>) {
  return (
    <div role="group" aria-label="Choices" className="mt-3 max-lg:hidden">
      <h2 className="text-small font-semibold text-silt">Choices</h2>
      <ul className="border-t">
        {choices.map(({ id, name }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={choicePlace(id) === inHand}
              onClick={() => choose(choicePlace(id))}
              className={lineStyle}
            >
              {name}
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
})

/** Every figure, by group, with what it comes to where enough is known. */
const NumberList = memo(function NumberList({
  inHand,
  choose,
  shorts,
}: Pick<Numbers, 'inHand' | 'choose' | 'shorts'>) {
  return groups.map((group) => (
    <div key={group} role="group" aria-label={numberGroups[group]} className="mt-3 max-lg:hidden">
      <h2 className="text-small font-semibold text-silt">{numberGroups[group]}</h2>
      <ul className="border-t">
        {numberTable
          .filter((one) => one.group === group)
          .map(({ id, name }) => {
            const short = shorts.get(id)
            return (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={id === inHand}
                  onClick={() => choose(id)}
                  className={lineStyle}
                >
                  <span className="min-w-0 flex-1">{name}</span>
                  {short && (
                    <span
                      className={`shrink-0 font-mono text-small font-normal ${short.fits === false ? 'text-lichen' : 'text-silt'}`}
                    >
                      {short.fits === false && <span aria-hidden="true">▲ </span>}
                      {short.words}
                    </span>
                  )}
                </button>
              </li>
            )
          })}
      </ul>
    </div>
  ))
})
