'use client'

import { bodyInHand } from '@/core/inventory/hand'
import { bodiesOfModel, factRow, handRow } from '@/core/inventory/rows'
import { nameOf } from '@/core/inventory/words'
import { Check } from '@/ui/check'
import { useInventory, useInventoryWork } from './inventory-context'

/** Whether plans of a body's model are made with it: its firmware and tag stamp the rows that are set. */
export function HandChoice({ tag }: { tag: string }) {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const model = inventory.rows[factRow('body', tag, 'model')]
  if (typeof model !== 'string' || bodiesOfModel(inventory.rows, model).length < 2) return null
  const isInHand = bodyInHand(inventory, model)?.tag === tag
  return (
    <Check
      checked={isInHand}
      onChange={() => desk.set({ [handRow(model)]: isInHand ? null : tag })}
      className="mt-1"
    >
      Plans for {nameOf(library, inventory, 'model', model)} are made with this one: what you set is stamped
      with it and its firmware
    </Check>
  )
}
