'use client'

import type { Address } from '@/core/model/addresses'
import { memo, useMemo, useState } from 'react'
import { lookup } from '@/core/model/lookup'
import { addressesWith } from '@/core/plan/assign'
import type { FunctionRating } from '@/core/reach/rate-functions'
import { useDesk, usePlanPart } from '@/features/desk'
import { MannerSign } from '@/ui/plate/manner'
import { secondsOf } from '@/features/reach'
import { PickList } from '@/ui/pick-list'
import { VerdictSign } from '@/ui/verdict'

/**
 * Every function this gesture accepts, best for the plan first; type to search, Enter or click to put it here. The order stays
 * while the key stays as it is: what is done elsewhere changes what stands in the list, not where it stands.
 */
export const FunctionList = memo(function FunctionList({
  ratings,
  current,
  address,
  onPut,
}: {
  ratings: readonly FunctionRating[]
  current: string | null
  address: Address
  onPut: (functionId: string) => void
}) {
  const { model } = useDesk().start
  const elsewhere = usePlanPart((plan) =>
    Object.fromEntries(
      ratings.map(({ fn }) => [
        fn.id,
        addressesWith(model, plan, address.side, fn.id)
          .filter((other) => other.key !== address.key)
          .map((other) => other.control.name)
          .join(', '),
      ]),
    ),
  )
  const menuOf = ({ fn }: FunctionRating) =>
    fn.changes.flatMap((setting) => lookup(model).menuAddress.get(setting) ?? [])
  const ordered = useOrderKept(ratings, `${address.key} ${current}`)
  const others = useMemo(() => ordered.filter(({ fn }) => fn.id !== current), [ordered, current])
  return (
    <section className="border bg-sheet px-3.5 py-3">
      <PickList
        about={address.key}
        label="Instead: what works everywhere and saves most first"
        list="Functions"
        placeholder={`${ratings.length} functions: type to find one`}
        items={others}
        idOf={({ fn }) => fn.id}
        textOf={(rating) => `${rating.fn.name} ${menuOf(rating).join(' ')}`}
        meansOf={({ fn }) => ({ kind: 'function', id: fn.means })}
        onPick={({ fn }) => onPut(fn.id)}
        nothing={(typed) => `No function this key accepts is called “${typed}”.`}
        dragOf={({ fn }) => `function ${fn.id}`}
        option={(rating) => (
          <FunctionWords
            rating={rating}
            menu={menuOf(rating)[0] ?? ''}
            also={elsewhere[rating.fn.id] ?? ''}
          />
        )}
      />
    </section>
  )
})

/** Ratings in the order of the first answer that came on this occasion, and until it comes as they stand. */
function useOrderKept(ratings: readonly FunctionRating[], occasion: string): readonly FunctionRating[] {
  const [kept, keep] = useState({ occasion, ratings, isAnswered: false })
  if (kept.occasion !== occasion) keep({ occasion, ratings, isAnswered: false })
  else if (!kept.isAnswered && kept.ratings !== ratings) keep({ occasion, ratings, isAnswered: true })
  return useMemo(() => {
    const places = new Map(kept.ratings.map(({ fn }, place) => [fn.id, place]))
    const placeOf = ({ fn }: FunctionRating) => places.get(fn.id) ?? Infinity
    return [...ratings].sort((one, other) => placeOf(one) - placeOf(other))
  }, [ratings, kept.ratings])
}

const FunctionWords = memo(function FunctionWords({
  rating,
  menu,
  also,
}: {
  rating: FunctionRating
  menu: string
  also: string
}) {
  const { fn } = rating
  const where =
    fn.manner === 'none' ? '' : rating.works === rating.of ? '' : `${rating.works} of ${rating.of}`
  return (
    <>
      <p className="flex items-baseline justify-between gap-2">
        <span className={`font-semibold ${rating.of > 0 && rating.works === 0 ? 'text-silt' : ''}`}>
          {fn.name}
        </span>
        <MannerSign manner={fn.manner} />
      </p>
      {(menu !== '' || Math.abs(rating.gain) >= 0.05) && (
        <p className="flex flex-wrap gap-x-2 text-small text-silt">
          {Math.abs(rating.gain) >= 0.05 && (
            <span className={rating.gain > 0 ? 'font-semibold text-samphire' : 'text-lichen'}>
              {rating.gain > 0 ? 'saves' : 'costs'} {secondsOf(Math.abs(rating.gain))}
            </span>
          )}
          {menu !== '' && <span className="font-mono">{menu}</span>}
        </p>
      )}
      {(also !== '' || where !== '') && (
        <p className="flex flex-wrap gap-x-2 text-small text-silt">
          {where !== '' && (
            <span className="inline-flex gap-1">
              <VerdictSign verdict={rating.verdict} /> {rating.works > 0 ? `outside ${where}` : ''}
            </span>
          )}
          {also !== '' && <span>now on {also}</span>}
        </p>
      )}
      {rating.works < rating.of && rating.reasons[0] && (
        <p className="text-small text-silt">{rating.reasons[0].because}</p>
      )}
    </>
  )
})
