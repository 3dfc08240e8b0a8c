import type { RowId } from '../sync/step'

/** Something about an inventory that its owner should know. */
export interface InventoryFault {
  /** It cannot be so; something is not said that plans need; or it costs something. */
  readonly kind: 'impossible' | 'missing' | 'cost'
  readonly title: string
  readonly reason: string
  /** The row it is about. */
  readonly row: RowId
}

/** Something that cannot be so. */
export function impossible(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'impossible', title, reason, row }
}

/** Something that is not said and that plans need. */
export function missing(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'missing', title, reason, row }
}

/** Something that costs. */
export function cost(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'cost', title, reason, row }
}
