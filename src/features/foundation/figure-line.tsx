'use client'

import { type OwnerFact, ownerRange, ownerRow, rowValue } from '@/core/plan/rows'
import { useDesk, usePlanPart } from '@/features/desk'
import { NumberField } from '@/ui/number-field'

/** A figure of the owner's: null where the usual one holds. */
export function useOwn(fact: OwnerFact) {
  const desk = useDesk()
  const own = usePlanPart((plan) => {
    const value = rowValue(plan.rows, ownerRow(fact))
    return typeof value === 'number' ? value : null
  })
  return { own, keep: (value: number | null) => desk.set({ [ownerRow(fact)]: value }) }
}

/** A figure that an owner may have of their own, with the usual one; null where there is none. */
export interface Figure {
  readonly id: OwnerFact
  readonly words: string
  readonly usual: number | null
  readonly source: string
}

/** A figure with where it comes from, in a field for the owner’s own. */
export function FigureLine({ figure: { id, words, usual, source } }: { figure: Figure }) {
  const { own, keep } = useOwn(id)
  const [from, to] = ownerRange(id)
  return (
    <li className="flex items-center justify-between gap-2 py-1">
      <span className="leading-tight">
        {words}
        <span className="block text-small text-silt">
          {own === null ? source : usual === null ? 'yours' : `yours; usual ${usual}`}
        </span>
      </span>
      <NumberField
        label={words}
        value={own}
        from={from}
        to={to}
        placeholder={usual === null ? 'none' : String(usual)}
        onKeep={keep}
      />
    </li>
  )
}
