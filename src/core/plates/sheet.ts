import type { Control } from '../model/types'
import type { Box, Point } from './geometry'

/** A label before it is placed: its control, and the size its text needs. */
export interface LabelSize {
  readonly control: Control
  readonly width: number
  readonly height: number
  /** How many gestures it tells of. */
  readonly rows: number
}

/** Where a label stands, and the leader line from it to its control. */
export interface PlacedLabel {
  readonly control: Control
  readonly edge: Edge
  readonly box: Box
  /** From the label's edge to the rim of the control. */
  readonly leader: readonly [Point, Point]
  /** Along a label of several gestures in a column: its leader leads to all of them. Null for one gesture. */
  readonly bracket: readonly [Point, Point] | null
}

/** A sheet of some size with the drawing's place on it. */
export interface Sheet {
  readonly width: number
  readonly height: number
  readonly drawing: Box
  /** Labels above and below stand next to the drawing, not at the sheet's edge. */
  readonly near: boolean
}

/** A plate laid out: the sheet and every label on it. */
export interface PlateLayout extends Sheet {
  readonly labels: readonly PlacedLabel[]
}

/** The margin a label stands in. */
export type Edge = 'left' | 'right' | 'top' | 'bottom'

/** Pixels between labels, and between a label and the drawing. */
export const gap = 10
export const stub = 8

/** Labels by the margin they are to stand in, in order. */
export type Groups = Record<Edge, LabelSize[]>

/** How many rows of gestures a label has beyond its name, judged by height: tall ones never stand above or below. */
export function lines(size: LabelSize): number {
  return size.rows
}

/** A control's middle in pixels. */
export function centreOf(control: Pick<Control, 'at'>, drawing: Box): Point {
  return { x: drawing.x + control.at[0] * drawing.width, y: drawing.y + control.at[1] * drawing.height }
}

/** The box around a control in pixels. */
export function controlBox(control: Pick<Control, 'at' | 'size'>, drawing: Box): Box {
  const { x, y } = centreOf(control, drawing)
  const [width, height] = [control.size[0] * drawing.width, control.size[1] * drawing.height]
  return { x: x - width / 2, y: y - height / 2, width, height }
}
