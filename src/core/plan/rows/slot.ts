import type { BankFamily, BodyModel, Slot } from '../../model/types'
import { ok, type Result } from '../../result'
import { unknownPart } from './kind'

/** A slot with its family. */
export interface SlotOf {
  readonly family: BankFamily
  readonly slot: Slot
}

/** Finds a slot by the ids of its family and its own. */
export function parseSlot(
  model: BodyModel,
  id: string,
  familyId: string | undefined,
  slotId: string | undefined,
): Result<SlotOf> {
  const family = model.families.find((one) => one.id === familyId)
  if (!family) return unknownPart(id, familyId ?? '')
  const slot = family.slots.find((one) => one.id === slotId)
  return slot ? ok({ family, slot }) : unknownPart(id, slotId ?? '')
}
