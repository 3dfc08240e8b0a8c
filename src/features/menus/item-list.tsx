'use client'

import { useMemo } from 'react'
import { itemName, lookup } from '@/core/model/lookup'
import { permittedAt, placesOf } from '@/core/plan/menu-items'
import { describeRow, type RowId } from '@/core/plan/rows'
import type { ItemUse } from '@/core/reach/menu-uses'
import { useDesk, usePlan } from '@/features/desk'
import { PickList } from '@/ui/pick-list'
import { useItems } from './use-menus-station'

/** Everything that may stand at a place of a menu: what is needed most and on no key first. */
export function ItemList({
  row,
  current,
  onPut,
}: {
  row: RowId
  current: string | null
  onPut: (item: string) => void
}) {
  const { model } = useDesk().start
  const plan = usePlan()
  const { uses, idle } = useItems()
  const places = useMemo(() => placesOf(model, plan), [model, plan])
  const all = useMemo(() => {
    const merit = (item: string) => {
      const use = uses.get(item)
      return (use?.needed ?? 0) * (use?.onKey ? 0.1 : 1) - (places.has(item) ? 1000 : 0)
    }
    return [...permittedAt(model, row)].sort((a, b) => merit(b) - merit(a))
  }, [model, row, uses, places])
  const others = useMemo(() => all.filter((item) => item !== current), [all, current])
  return (
    <section className="border bg-sheet px-3.5 py-3">
      <PickList
        label="Instead: what is needed most and on no key first"
        list="Settings and acts"
        placeholder={`${all.length} fit: type to find one`}
        items={others}
        idOf={(item) => item}
        textOf={(item) => `${itemName(model, item)} ${lookup(model).menuAddress.get(item) ?? ''}`}
        meansOf={(item) => ({ kind: 'setting', id: lookup(model).settings.get(item)?.means ?? null })}
        onPick={onPut}
        nothing={(typed) => `Nothing that fits here is called “${typed}”.`}
        dragOf={(item) => `item ${item}`}
        option={(item) => (
          <ItemWords
            item={item}
            use={uses.get(item)}
            stands={(places.get(item) ?? []).map((place) => describeRow(model, place))}
            idle={(idle.get(item) ?? []).map(({ side, because }) => `Nothing in ${side}: ${because}`)}
          />
        )}
      />
    </section>
  )
}

function ItemWords({
  item,
  use,
  stands,
  idle,
}: {
  item: string
  use: ItemUse | undefined
  stands: readonly string[]
  idle: readonly string[]
}) {
  const { model } = useDesk().start
  return (
    <>
      <p className="flex items-baseline justify-between gap-2">
        <span className="font-semibold">{itemName(model, item)}</span>
        {use && use.needed > 0 && <span className="font-mono text-small text-brine">{use.needed}×</span>}
      </p>
      <p className="text-small text-silt">
        {[
          lookup(model).menuAddress.get(item),
          use?.onKey ? 'on a key already' : null,
          ...stands.map((place) => `in ${place}`),
          ...idle,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
    </>
  )
}
