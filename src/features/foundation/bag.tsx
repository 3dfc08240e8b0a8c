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
    <section aria-labelledby="bag" className="border bg-sheet px-4 py-3">
      <h2 id="bag" className="font-head text-lead font-semibold">
        What you shoot it with
      </h2>
      {bodies.length === 0 ? (
        <p className="mt-1 text-silt">
          No {model.name} is in your inventory: the newest firmware is reckoned with, and nothing is stamped.
        </p>
      ) : (
        <ul className="mt-1">
          {bodies.map(({ tag, name, firmware }) => (
            <li key={tag}>
              <b className="font-semibold">{name}</b>{' '}
              <span className="text-silt">
                {firmware === null ? 'firmware not said' : `firmware ${firmware}`}
                {tag === hand?.tag && bodies.length > 1 && ' · the plan is made with it'}
              </span>
            </li>
          ))}
        </ul>
      )}
      {!isFixed && (
        <div className="mt-2">
          {mine.map(({ id, name, contacts }) => (
            <Check key={id} checked={planned.includes(id)} onChange={() => take(id, !planned.includes(id))}>
              {name} <span className="text-silt">{contacts ? '' : '· without contacts'}</span>
            </Check>
          ))}
          {planned.length === 0 && (
            <p className="text-silt">Without a lens the plan is looked at with any that talks to the body.</p>
          )}
          {others.length > 0 && (
            <Select
              label="Another lens for this plan"
              value=""
              options={[
                ['', 'Another lens for this plan …'],
                ...others.map(({ id, name }): [string, string] => [id, name]),
              ]}
              onPick={(id) => id !== '' && take(id, true)}
              className="mt-1 min-h-9 max-w-full rounded-md border bg-sheet px-2 text-silt"
            />
          )}
        </div>
      )}
      <p className="mt-2">
        <Link href="/bodies" className="font-semibold text-brine underline underline-offset-3">
          Bodies, lenses and cards
        </Link>
      </p>
    </section>
  )
})
