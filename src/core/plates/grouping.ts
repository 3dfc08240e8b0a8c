import type { Box } from './geometry'
import { centreOf, gap, lines, type Edge, type Groups, type LabelSize } from './sheet'

/** Gives each label the nearest margin that has room, those nearest to one first; null when one finds none. */
export function grouped(
  sizes: readonly LabelSize[],
  edges: readonly Edge[],
  drawing: Box,
  room: Room,
): Groups | null {
  const groups: Groups = { left: [], right: [], top: [], bottom: [] }
  const rest = [...sizes].sort((a, b) => nearest(a, edges, drawing).far - nearest(b, edges, drawing).far)
  for (const size of rest) {
    const edge = byDistance(size, edges, drawing).find((one) => fits(groups[one.edge], size, one.edge, room))
    if (!edge) return null
    groups[edge.edge].push(size)
  }
  return groups
}

/** How much fits along a margin, in pixels. */
export interface Room {
  readonly row: number
  readonly column: number
}

function fits(group: readonly LabelSize[], size: LabelSize, edge: Edge, room: Room): boolean {
  const upright = edge === 'left' || edge === 'right'
  if (!upright && lines(size) > 1) return false
  const total = [...group, size].reduce((sum, one) => sum + (upright ? one.height : one.width) + gap, -gap)
  return total <= (upright ? room.column : room.row)
}

function byDistance(size: LabelSize, edges: readonly Edge[], drawing: Box): { edge: Edge; far: number }[] {
  const at = centreOf(size.control, drawing)
  const far: Record<Edge, number> = {
    left: at.x - drawing.x,
    right: drawing.x + drawing.width - at.x,
    top: at.y - drawing.y,
    bottom: drawing.y + drawing.height - at.y,
  }
  return edges.map((edge) => ({ edge, far: far[edge] })).sort((a, b) => a.far - b.far)
}

function nearest(size: LabelSize, edges: readonly Edge[], drawing: Box): { edge: Edge; far: number } {
  return byDistance(size, edges, drawing)[0] ?? { edge: 'right', far: 0 }
}
