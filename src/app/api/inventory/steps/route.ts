import { inventoryKind } from '@/core/inventory/kind'
import { inventoryStepsBefore, saveInventory } from '@/server/inventory'
import { handled } from '@/server/requests'
import { answerEarlier, answerSave } from '@/server/steps-route'

/** A save of the inventory. */
export const POST = handled((request: Request) =>
  answerSave(request, inventoryKind({ models: [], lenses: [] }), saveInventory),
)

/** Older steps of the inventory. */
export const GET = handled((request: Request) => answerEarlier(request, inventoryStepsBefore))
