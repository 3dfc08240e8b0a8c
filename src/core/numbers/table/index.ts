import type { NumberForm } from '../form'
import { batteryNumbers } from './battery'
import { burstNumbers } from './burst'
import { cardNumbers } from './cards'
import { filmNumbers } from './film'
import { focusNumbers } from './focus'
import { lightNumbers } from './light'

/** Every figure, by group. */
export const numberTable: readonly NumberForm[] = [
  ...lightNumbers,
  ...filmNumbers,
  ...cardNumbers,
  ...burstNumbers,
  ...batteryNumbers,
  ...focusNumbers,
]

/** The figure of that id; undefined where there is none. */
export function numberForm(id: string): NumberForm | undefined {
  return numberTable.find((one) => one.id === id)
}
