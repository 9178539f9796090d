import { alongGrain } from '../geometry'
import { cornerPoint, grainDirection, type Piece, type Shape } from '../pattern'

/** Grain coordinate of an inner line, mm: the middle of its two ends; null when it has gone. */
export function lineLevel(shape: Shape, lineId: string): number | null {
  const path = shape.lines[lineId]
  if (!path) return null
  const grain = grainDirection(shape)
  return (alongGrain(path[0]!.from, grain) + alongGrain(path[path.length - 1]!.to, grain)) / 2
}

/** Grain coordinate of a corner, mm; null when it has gone. */
export function levelOfCorner(piece: Piece, shape: Shape, cornerId: string): number | null {
  const point = cornerPoint(piece, shape, cornerId)
  return point ? alongGrain(point, grainDirection(shape)) : null
}
