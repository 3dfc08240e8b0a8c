'use client'

import { memo } from 'react'
import { ownNameRow, ownRow } from '@/core/plan/rows'
import { baseRow, baseValue, defaultWhereabouts } from '@/core/plan/cells'
import type { OwnMenu } from '@/core/model/types'
import { lookup } from '@/core/model/lookup'
import { useDesk, useDeskPart, useKeptText, usePlanPart } from '@/features/desk'
import { Check } from '@/ui/check'
import { PlaceButton, type Drawn } from './place-button'
import { useStands } from './use-menus-station'

/** The own menu: its pages with their names, line by line. */
export const OwnMenuDrawing = memo(function OwnMenuDrawing({
  menu,
  selected,
  onSelect,
}: Drawn & { menu: OwnMenu }) {
  const desk = useDesk()
  const side = useDeskPart('side')
  const { model } = desk.start
  const pages = Array.from({ length: menu.pages }, (_, i) => i + 1)
  const lines = Array.from({ length: menu.lines }, (_, i) => i + 1)
  const stands = useStands(pages.flatMap((page) => lines.map((line) => ownRow(page, line))))
  const filled = stands.filter(({ item }) => item !== null).length
  const first = menu.opensFirst === undefined ? undefined : lookup(model).settings.get(menu.opensFirst)
  const opens = usePlanPart(({ rows }) => first !== undefined && baseValue(model, rows, first, side) === true)
  return (
    <section aria-label="Own menu" className="border bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="font-head text-title font-semibold">Own menu</h2>
        <p className="text-silt">
          {filled} of {menu.pages * menu.lines} lines · the same in stills and motion
        </p>
        <div className="flex-1" />
        {first && (
          <Check
            checked={opens}
            onChange={() =>
              desk.set({
                [baseRow(desk.getView().plan.rows, first, defaultWhereabouts(model, side))]:
                  opens === (first.factory !== true) ? null : !opens,
              })
            }
          >
            opens first
          </Check>
        )}
      </div>
      <div className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(150px,1fr))] gap-3">
        {pages.map((page) => (
          <div key={page} className="min-w-0">
            <PageName page={page} longest={menu.nameLength} />
            <ol className="divide-y border">
              {stands.slice((page - 1) * menu.lines, page * menu.lines).map((one, i) => (
                <li key={one.row} className="grid">
                  <PlaceButton
                    stands={one}
                    place={`Own menu, page ${page}, line ${i + 1}`}
                    picked={one.row === selected}
                    onSelect={onSelect}
                    className="min-h-9 !flex-row items-center"
                  />
                </li>
              ))}
            </ol>
          </div>
        ))}
      </div>
    </section>
  )
})

function PageName({ page, longest }: { page: number; longest: number }) {
  const text = useKeptText(ownNameRow(page))
  return (
    <input
      aria-label={`Name of page ${page}`}
      value={text.value}
      maxLength={longest}
      placeholder={`Page ${page}`}
      onChange={(event) => text.type(event.target.value)}
      onBlur={text.leave}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      className="mb-1 min-h-8 w-full rounded border-0 bg-transparent px-1 font-semibold placeholder:text-silt"
    />
  )
}
