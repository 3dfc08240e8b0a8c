import { loadInventory } from '@/server/inventory'
import { handled, refusalResponse } from '@/server/requests'

/** What the owner has, for pages that are open while it changes. */
export const GET = handled(async () => {
  const stored = await loadInventory()
  return stored.ok
    ? Response.json({ version: stored.value.version, inventory: stored.value.inventory })
    : refusalResponse(stored.refusal)
})
