'use client'

import { memo } from 'react'
import { gridRow } from '@/core/plan/rows'
import type { Grid } from '@/core/model/types'
import { addressesWith } from '@/core/plan/assign'
import { useDesk, usePlanPart } from '@/features/desk'
import { PlaceButton, type Drawn } from './place-button'
import { useStands } from './use-menus-station'

/** One function menu with this model's rows and columns. */
export const GridDrawing = memo(function GridDrawing({ grid, selected, onSelect }: Drawn & { grid: Grid }) {
  const { model } = useDesk().start
  const cells = useStands(Array.from({ length: grid.rows * grid.columns }, (_, i) => gridRow(grid.id, i + 1)))
  const filled = cells.filter(({ item }) => item !== null).length
  const openers = usePlanPart((plan) =>
    addressesWith(model, plan, grid.side, grid.openedBy).map((one) => one.control.name),
  )
  return (
    <section aria-label={grid.name} className="border bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="font-head text-title font-semibold">{grid.name}</h1>
        <p className="text-silt">
          {filled} of {cells.length} cells ·{' '}
          {openers.length > 0 ? (
            `opened by ${openers.join(' or ')}`
          ) : (
            <b className="text-lichen">no key opens it</b>
          )}{' '}
          · {grid.inFinder ? 'shown in the finder' : 'on the screen only'}
        </p>
      </div>
      <div
        className="mt-2 grid gap-px border bg-rule p-px"
        style={{ gridTemplateColumns: `repeat(${grid.columns}, minmax(0, 1fr))` }}
      >
        {cells.map((stands, i) => (
          <div key={stands.row} className="grid min-h-17 min-w-0 bg-sheet">
            <PlaceButton
              stands={stands}
              place={`${grid.name}, cell ${i + 1}`}
              picked={stands.row === selected}
              onSelect={onSelect}
            />
          </div>
        ))}
      </div>
    </section>
  )
})
