'use client'

import { useMemo, useRef, useState } from 'react'
import type { Finding } from '@/core/checks/finding'
import { parseRow, rowIdOf, type RowId } from '@/core/plan/rows'
import { menuUses, type ItemUse } from '@/core/reach/menu-uses'
import { useAnswer, useDesk, useDeskPart, useFindings, usePlaceInPage, useReach } from '@/features/desk'
import type { Drawn } from './place-button'
import { useMenuHand } from './use-menu-hand'

/** The panels beside the menus, by what they are called. */
export const panels = { item: 'Cells and lines', fill: 'Fill from the gaps' } as const

const noUses: ReadonlyMap<string, ItemUse> = new Map()
const noIdle: Drawn['idle'] = new Map()
const noFindings: readonly Finding[] = []

/** What the Menus station knows and does: the menus of a side, what stands in them and is used of them, and the place in hand. */
export function useMenusStation() {
  const desk = useDesk()
  const side = useDeskPart('side')
  const findings = useFindings() ?? noFindings
  const reach = useReach()
  const { model, planId } = desk.start
  const station = useRef<HTMLDivElement>(null)
  const [panel, setPanel] = useState<keyof typeof panels>('item')
  const hand = useMenuHand(station)
  const uses = useMemo(() => (reach ? menuUses(model, reach, side) : noUses), [model, reach, side])
  const idle = useAnswer<'idle'>({ kind: 'idle' }) ?? noIdle
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
  return {
    model,
    planId,
    side,
    grids: model.grids.filter((grid) => grid.side === side),
    station,
    hand,
    panel,
    setPanel,
    /** What every place is drawn from. */
    drawn: { selected: hand.selected, uses, idle, findings, onSelect: show },
  }
}
