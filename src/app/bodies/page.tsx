import type { Metadata } from 'next'
import { asNamed } from '@/core/inventory/library'
import { ok } from '@/core/result'
import { InventoryPage, InventoryProvider } from '@/features/inventory'
import { loadInventory } from '@/server/inventory'
import { definitions } from '@/server/models'
import { withDatabase } from '@/server/requests'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Bodies' }
export const dynamic = 'force-dynamic'

/** What the owner has, under work. */
export default async function BodiesPage() {
  const read = await withDatabase(async () => {
    const stored = await loadInventory()
    return stored.ok ? ok({ stored: stored.value, ...(await definitions()) }) : stored
  })
  if (!read.ok)
    return <Trouble title="The inventory cannot be shown" refusal={read.refusal} address="/bodies" />
  const { stored, models, lenses } = read.value
  return (
    <InventoryProvider start={stored} library={asNamed({ models, lenses })}>
      <InventoryPage />
    </InventoryProvider>
  )
}
