'use client'

import { useRouter } from 'next/navigation'
import { itemName } from '@/core/model/lookup'
import { ShortcutList } from '@/features/desk'
import { ReachStrip } from '@/features/reach'
import { later } from '@/ui/later'
import { Beside } from '@/ui/beside'
import { Dragged, Drags } from '@/ui/drag'
import { Tabs } from '@/ui/tabs'
import { GridDrawing } from './grid-drawing'
import { ItemPanel } from './item-panel'
import { OwnMenuDrawing } from './own-menu-drawing'
import { panels, useMenusStation } from './use-menus-station'

const SuggestPanel = later(() => import('@/features/suggest').then((one) => one.SuggestPanel))

const menuKeys = [
  ['← ↑ ↓ →', 'from place to place'],
  ['Enter', 'take the cell or line in hand; in the list, put the item there'],
  ['M', 'pick up what stands here; Enter on another place swaps them'],
  ['Delete', 'empty it'],
  ['Escape', 'back out'],
] as const

/** The Menus station: the function menus of a side and the own menu, what stands in them, and what had better. */
export function MenusStation() {
  const { model, planId, side, grids, station, hand, panel, setPanel, show } = useMenusStation()
  const drawn = { selected: hand.selected, onSelect: show }
  const router = useRouter()
  return (
    <>
      <main ref={station} onKeyDown={hand.onKey} className="grid gap-3 px-5 py-3">
        <ReachStrip />
        <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_350px]">
          <div className="grid min-w-0 content-start gap-4">
            {grids.length === 0 && (
              <p className="border bg-sheet px-4 py-6 text-silt">This body has no function menu in {side}.</p>
            )}
            {grids.map((grid) => (
              <GridDrawing key={grid.id} grid={grid} {...drawn} />
            ))}
            {model.ownMenu && <OwnMenuDrawing menu={model.ownMenu} {...drawn} />}
          </div>
          <Beside
            label="Beside the menus"
            inHand={panel === 'item' && hand.selected ? `[data-row="${hand.selected}"]` : null}
          >
            <Tabs label="Beside the menus" names={panels} picked={panel} onPick={setPanel}>
              {panel === 'item' ? (
                <ItemPanel
                  key={hand.selected ?? 'none'}
                  row={hand.selected}
                  onPut={(item) => hand.selected && hand.put(hand.selected, item)}
                  onClose={hand.back}
                />
              ) : (
                <SuggestPanel
                  only="menus"
                  onGo={(address) => router.push(`/plans/${planId}/controls#key/${address}`)}
                />
              )}
            </Tabs>
          </Beside>
        </div>
      </main>
      <ShortcutList keys={menuKeys} />
      <Drags area={station} {...hand.dragging}>
        {hand.dragged !== null && <Dragged name={itemName(model, hand.dragged)} />}
      </Drags>
    </>
  )
}
