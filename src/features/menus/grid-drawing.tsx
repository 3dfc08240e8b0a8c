'use client'

import { gridRow } from '@/core/plan/rows'
import type { Grid } from '@/core/model/types'
import { addressesWith } from '@/core/plan/assign'
import { itemAt } from '@/core/plan/menu-items'
import { useDesk, usePlan } from '@/features/desk'
import { PlaceButton, type Drawn } from './place-button'

/** One function menu with this model's rows and columns. */
export function GridDrawing({ grid, ...drawn }: Drawn & { grid: Grid }) {
  const { model } = useDesk().start
  const plan = usePlan()
  const cells = Array.from({ length: grid.rows * grid.columns }, (_, i) => i + 1)
  const filled = cells.filter((cell) => itemAt(model, plan, gridRow(grid.id, cell)) !== null).length
  const openers = addressesWith(model, plan, grid.side, grid.openedBy)
  return (
    <section aria-label={grid.name} className="border bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="font-head text-title font-semibold">{grid.name}</h1>
        <p className="text-silt">
          {filled} of {cells.length} cells ·{' '}
          {openers.length > 0 ? (
            `opened by ${openers.map((one) => one.control.name).join(' or ')}`
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
        {cells.map((cell) => (
          <div key={cell} className="grid min-h-17 min-w-0 bg-sheet">
            <PlaceButton row={gridRow(grid.id, cell)} place={`${grid.name}, cell ${cell}`} {...drawn} />
          </div>
        ))}
      </div>
    </section>
  )
}
