import { boundsOfPoints, dot, type Point } from '../geometry'
import { centreEdge, centreLine } from './centre-edge'
import { edgePath, grainDirection, outlineOf } from './outline'
import { isLimb } from './piece-kinds'
import type { Piece, Shape } from './schema'

/** The two directions a piece grows in, and where its middle lies. */
export interface Frame {
  down: Point
  across: Point
  /** Across coordinate of the centre: the fold, the line of it on a piece that reaches beyond, or the grain of a piece that grows to both sides. */
  middle: number
}

export function frameOf(piece: Piece, shape: Shape): Frame {
  const down = grainDirection(shape)
  const across = { x: down.y, y: -down.x }
  const line = centreLine(piece)
  if (line) {
    const path = shape.lines[line.id]!
    return { down, across, middle: dot(path[path.length - 1]!.to, across) }
  }
  const centre = centreEdge(piece)
  if (centre) return { down, across, middle: dot(edgePath(shape, centre.id)[0]!.from, across) }
  if (isLimb(piece)) return { down, across, middle: dot(shape.grain.from, across) }
  const outline = outlineOf(piece, shape)
  const box = boundsOfPoints(outline.map((s) => s.from))
  return { down, across, middle: dot({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }, across) }
}
