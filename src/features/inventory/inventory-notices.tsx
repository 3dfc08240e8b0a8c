'use client'

import { describeInventoryRow, describeInventoryStep, showInventoryRow } from '@/core/inventory/words'
import { DocumentNotices } from '@/features/documents'
import { useInventory, useInventoryWork } from './inventory-context'

/** What needs an answer before going on with the inventory. */
export function InventoryNotices() {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  return (
    <DocumentNotices
      desk={desk}
      words={{
        name: 'inventory',
        value: ({ rows }, row) => rows[row] ?? null,
        describeRow: (row) => describeInventoryRow(library, inventory, row),
        showRow: (row, value) => showInventoryRow(library, inventory, row, value),
        describeStep: (step) => describeInventoryStep(library, inventory, step),
      }}
    />
  )
}
