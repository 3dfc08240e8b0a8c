'use client'

import { createContext, useContext, useState, type ReactNode } from 'react'
import { inventoryKind } from '@/core/inventory/kind'
import type { Inventory, Library } from '@/core/inventory/rows'
import type { Step } from '@/core/sync/step'
import { tellInventoryNews } from '@/features/desk'
import { DocumentDesk, inThisBrowser, stepsServer, usePartOf, useUnderWork } from '@/features/documents'

/** An inventory as the server sends it to begin with. */
export interface InventoryStart {
  readonly epoch: string
  readonly version: number
  readonly head: string | null
  readonly log: readonly Step[]
  readonly inventory: Inventory
}

/** The inventory under work, and the definitions that it names things of. */
export interface InventoryWork {
  readonly desk: DocumentDesk<Inventory>
  readonly library: Library
}

export const InventoryContext = createContext<InventoryWork | null>(null)

/** Holds the inventory under work for everything below it. */
export function InventoryProvider({
  start,
  library,
  isCopy = false,
  children,
}: {
  start: InventoryStart
  library: Library
  /** Whether all of it is the copy of this device. */
  isCopy?: boolean
  children: ReactNode
}) {
  const [given] = useState(() => ({ start, library }))
  const { epoch, version, head, log, inventory } = start
  const [work] = useState((): InventoryWork => {
    const server = stepsServer('/api/inventory/steps')
    const desk = new DocumentDesk(
      inventoryKind(library),
      { epoch, document: inventory, version, head, tail: log },
      {},
      {
        server: {
          ...server,
          async save(save) {
            const sent = await server.save(save)
            if (sent.kind === 'answer' && sent.answer.kind === 'saved') tellInventoryNews()
            return sent
          },
        },
        ...inThisBrowser('inventory', isCopy),
      },
    )
    return { desk, library }
  })
  const isWhole = useUnderWork(
    work.desk,
    'inventory',
    isCopy ? null : { page: '/bodies', name: 'Bodies', given, epoch, version },
  )
  return <InventoryContext value={work}>{isWhole && children}</InventoryContext>
}

/** The desk of the inventory: for acting on it. */
export function useInventoryWork(): InventoryWork {
  const work = useContext(InventoryContext)
  if (!work) throw new Error('there is no inventory here')
  return work
}

/** The inventory as it stands now. */
export function useInventory(): Inventory {
  return usePartOf(useInventoryWork().desk, 'document')
}
