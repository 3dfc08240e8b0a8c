'use client'

import { useMemo, useRef, useState } from 'react'
import { itemAt } from '@/core/plan/menu-items'
import { isOwnRow, noteRow, parseRow, rowIdOf, type RowId } from '@/core/plan/rows'
import { menuUses, type ItemUse } from '@/core/reach/menu-uses'
import {
  useAnswer,
  useDesk,
  useDeskPart,
  useFindings,
  usePlaceInPage,
  usePlan,
  useReach,
} from '@/features/desk'
import type { NoEffect } from '@/core/resolve/without-effect'
import { useShared } from '@/ui/use-shared'
import { useStable } from '@/ui/use-stable'
import type { Stands } from './place-button'
import { useMenuHand } from './use-menu-hand'

/** The panels beside the menus, by what they are called. */
export const panels = { item: 'Cells and lines', fill: 'Fill from the gaps' } as const

const noUses: ReadonlyMap<string, ItemUse> = new Map()
const noIdle: ReadonlyMap<string, readonly NoEffect[]> = new Map()

/** How often each item of a side’s menus is used, and on which sides it does nothing as the camera stands, with the reason. */
export function useItems() {
  const { model } = useDesk().start
  const side = useDeskPart('side')
  const reach = useReach()
  const uses = useMemo(() => (reach ? menuUses(model, reach, side) : noUses), [model, reach, side])
  return { uses, idle: useAnswer<'idle'>({ kind: 'idle' }) ?? noIdle }
}

/** What stands in places of the menus: the same objects for as long as nothing of them changes. */
export function useStands(rows: readonly RowId[]): readonly Stands[] {
  const { model } = useDesk().start
  const plan = usePlan()
  const side = useDeskPart('side')
  const findings = useFindings()
  const { uses, idle } = useItems()
  return useShared(
    rows.map((row): Stands => {
      const item = itemAt(model, plan, row)
      return {
        row,
        item,
        own: Object.hasOwn(plan.rows, row),
        locked: noteRow('lock', row) in plan.rows,
        explained: noteRow('why', row) in plan.rows,
        use: (item === null ? null : uses.get(item)) ?? null,
        idle: ((item === null ? null : idle.get(item)) ?? []).filter(
          (one) => isOwnRow(row) || one.side === side,
        ),
        problems: (findings ?? [])
          .filter(({ places }) => places.some((place) => place.row === row))
          .map(({ check, title }) => ({ check, title })),
      }
    }),
  )
}

/** What the Menus station knows and does: the menus of a side, what stands in them and is used of them, and the place in hand. */
export function useMenusStation() {
  const desk = useDesk()
  const side = useDeskPart('side')
  const { model, planId } = desk.start
  const station = useRef<HTMLDivElement>(null)
  const [panel, setPanel] = useState<keyof typeof panels>('item')
  const hand = useMenuHand(station)
  const show = useStable((row: RowId) => {
    setPanel('item')
    hand.pick(row)
  })
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
    show,
  }
}
