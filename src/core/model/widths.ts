import type { Value } from '../vocabulary/values'
import type { Setting } from './types'

/** Whether the slots of a setting's family keep it while the setting that widens the family has a value. */
export function isStoredAt({ storedWhen }: Setting, width: Value | undefined): boolean {
  if (storedWhen === undefined) return true
  return storedWhen === 'widened' ? width === true : typeof width === 'string' && storedWhen.includes(width)
}

/** The least value of the setting that widens the family at which its slots keep a setting. */
export function leastWidth({ storedWhen }: Setting): Value {
  return storedWhen === undefined || storedWhen === 'widened' ? true : (storedWhen[0] ?? true)
}
