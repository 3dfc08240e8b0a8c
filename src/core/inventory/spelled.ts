import { stepOf } from '../vocabulary/ladders'

/** A focal length as its fact spells it, from the short to the long end in millimetres. */
export function focalRange(spelled: string): readonly [number, number] {
  const [short = NaN, long = short] = spelled.split('-').map(Number)
  return [short, long]
}

/** The f-number of a mark that `widest` and the like hold. */
export function fNumber(mark: string): number {
  return (stepOf('aperture', mark) ?? stepOf('apertureHalf', mark))?.amount ?? NaN
}
