'use client'

import Link from 'next/link'
import { memo } from 'react'
import { bodiesIn } from '@/core/inventory/records'
import { emptyInventory } from '@/core/inventory/rows'
import { plannedLenses } from '@/core/plan/plan'
import { lensRow } from '@/core/plan/rows'
import { useDesk, useDeskStart, usePlanPart } from '@/features/desk'
import { Check } from '@/ui/check'
import { Select } from '@/ui/select'

/** What this plan is shot with: bodies of its model, the lenses that are in the bag, and where more is said. */
export const Bag = memo(function Bag() {
  const desk = useDesk()
  const { model, lenses, inventory = emptyInventory } = useDeskStart()
  const planned = usePlanPart(plannedLenses)
  const own = usePlanPart((plan) =>
    lenses.filter(({ id }) => plan.rows[lensRow(id)] !== undefined).map(({ id }) => id),
  )
  const bodies = bodiesIn(inventory).filter((one) => one.model === model.id)
  const { hand } = desk
  const mine = lenses.filter(
    ({ id, fits }) => own.includes(id) || (fits === model.maker && desk.brings(lensRow(id)) !== null),
  )
  const others = lenses.filter((one) => one.fits === model.maker && !mine.includes(one))
  const isFixed = !lenses.some(({ fits }) => fits === model.maker)
  const take = (id: string, isIn: boolean) => {
    const brought = desk.brings(lensRow(id)) !== null
    desk.set({ [lensRow(id)]: isIn ? (brought ? null : true) : brought ? false : null })
  }
  return (
    <section
      aria-labelledby="bag"
      className="flex flex-wrap items-center gap-x-5 gap-y-1 border bg-sheet px-4 py-2.5"
    >
      <h2 id="bag" className="font-semibold">
        Shot with
      </h2>
      {bodies.length === 0 && (
        <p className="text-silt">no {model.name} in your inventory: the newest firmware is reckoned with</p>
      )}
      {bodies.map(({ tag, name, firmware }) => (
        <p key={tag}>
          {name}{' '}
          <span className="text-silt">
            {firmware === null ? 'firmware not said' : firmware}
            {tag === hand?.tag && bodies.length > 1 && ', in your hand'}
          </span>
        </p>
      ))}
      {mine.map(({ id, name, contacts }) => (
        <Check key={id} checked={planned.includes(id)} onChange={() => take(id, !planned.includes(id))}>
          {name}
          {!contacts && <span className="text-silt">, no contacts</span>}
        </Check>
      ))}
      {!isFixed && planned.length === 0 && <p className="text-silt">any lens that talks to the body</p>}
      {others.length > 0 && (
        <Select
          label="Another lens for this plan"
          value=""
          options={[['', 'Another lens …'], ...others.map(({ id, name }): [string, string] => [id, name])]}
          onPick={(id) => id !== '' && take(id, true)}
          className="min-h-8 max-w-full rounded-md border bg-sheet px-1.5 text-silt"
        />
      )}
      <Link href="/bodies" className="ml-auto font-semibold text-brine underline underline-offset-3">
        Bodies, lenses and cards
      </Link>
    </section>
  )
})
