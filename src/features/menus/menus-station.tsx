'use client'

import type { Finding } from '@/core/checks/finding'
import { type RowId, parseRow, rowIdOf } from '@/core/plan/rows'
import { DndContext } from '@dnd-kit/core'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useMemo, useRef, useState } from 'react'
import { itemName } from '@/core/model/lookup'
import { menuUses, type ItemUse } from '@/core/reach/menu-uses'
import {
  ShortcutList,
  useAnswer,
  useDesk,
  useDeskView,
  useFindings,
  usePlaceInPage,
  useReach,
} from '@/features/desk'
import { ReachStrip } from '@/features/reach'
import { Dragged } from '@/ui/drag'
import { Tabs } from '@/ui/tabs'
import { GridDrawing } from './grid-drawing'
import { ItemPanel } from './item-panel'
import { OwnMenuDrawing } from './own-menu-drawing'
import type { Drawn } from './place-button'
import { useMenuHand } from './use-menu-hand'

const SuggestPanel = dynamic(() => import('@/features/suggest').then((one) => one.SuggestPanel))

const panels = { item: 'Cells and lines', fill: 'Fill from the gaps' } as const

const menuKeys = [
  ['← ↑ ↓ →', 'from place to place'],
  ['Enter', 'take the cell or line in hand; in the list, put the item there'],
  ['M', 'pick up what stands here; Enter on another place swaps them'],
  ['Delete', 'empty it'],
  ['Escape', 'back out'],
] as const

const noUses: ReadonlyMap<string, ItemUse> = new Map()
const noIdle: Drawn['idle'] = new Map()
const noFindings: readonly Finding[] = []

/** The Menus station: the function menus of a side and the own menu, what stands in them, and what had better. */
export function MenusStation() {
  const desk = useDesk()
  const { start } = desk
  const { side } = useDeskView()
  const findings = useFindings() ?? noFindings
  const reach = useReach()
  const router = useRouter()
  const { model } = start
  const station = useRef<HTMLDivElement>(null)
  const [panel, setPanel] = useState<keyof typeof panels>('item')
  const hand = useMenuHand(station)
  const uses = useMemo(() => (reach ? menuUses(model, reach, side) : noUses), [model, reach, side])
  const grids = model.grids.filter((grid) => grid.side === side)
  const show = (row: RowId) => {
    setPanel('item')
    hand.pick(row)
  }
  usePlaceInPage((place) => {
    const row = parseRow(model, place)
    if (!row.ok || (row.value.kind !== 'grid' && row.value.kind !== 'own')) return
    if (row.value.kind === 'grid') desk.setSide(row.value.grid.side)
    show(rowIdOf(row.value))
  })
  const idle = useAnswer<'idle'>({ kind: 'idle' }) ?? noIdle
  const shared = { selected: hand.selected, uses, idle, findings, onSelect: show }
  return (
    <DndContext id="menus" {...hand.dragging}>
      <main ref={station} onKeyDown={hand.onKey} className="grid gap-3 px-5 py-3">
        <ReachStrip />
        <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_350px]">
          <div className="grid min-w-0 content-start gap-4">
            {grids.length === 0 && (
              <p className="border bg-sheet px-4 py-6 text-silt">This body has no function menu in {side}.</p>
            )}
            {grids.map((grid) => (
              <GridDrawing key={grid.id} grid={grid} {...shared} />
            ))}
            {model.ownMenu && <OwnMenuDrawing menu={model.ownMenu} {...shared} />}
          </div>
          <aside aria-label="Beside the menus" className="min-w-0">
            <Tabs label="Beside the menus" names={panels} picked={panel} onPick={setPanel} />
            {panel === 'item' ? (
              <ItemPanel
                key={hand.selected ?? 'none'}
                row={hand.selected}
                uses={uses}
                idle={idle}
                onPut={(item) => hand.selected && hand.put(hand.selected, item)}
                onClose={hand.back}
              />
            ) : (
              <SuggestPanel
                only="menus"
                onGo={(address) => router.push(`/plans/${start.planId}/controls#key/${address}`)}
              />
            )}
          </aside>
        </div>
      </main>
      <ShortcutList keys={menuKeys} />
      <Dragged name={hand.dragged && itemName(model, hand.dragged)} />
    </DndContext>
  )
}
