'use client'

import type { ComponentProps, ReactNode } from 'react'
import { InventoryPage, InventoryProvider } from '@/features/inventory'

/** What the page of the bodies is given by the server. */
export type BodiesGiven = Pick<ComponentProps<typeof InventoryProvider>, 'start' | 'library'>

/** The inventory from the copy of this device. */
export function KeptBodies({ given, sign }: { given: BodiesGiven; sign: ReactNode }) {
  return (
    <InventoryProvider {...given} isCopy>
      {sign}
      <InventoryPage />
    </InventoryProvider>
  )
}
