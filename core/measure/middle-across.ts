import { dot, type Point, alongGrain, crossPoints } from '../geometry'

import { centreLine, grainDirection, type Piece, type Shape } from '../pattern'

/**
 * Where the middle of the body lies at a level on a piece that has it drawn inside, mm along the cross-grain; above and below its
 * line as at its nearer end. Null on a piece whose edge is the middle.
 *
 * @param levelMm grain coordinate
 */
export function middleAcross(piece: Piece, shape: Shape, levelMm: number): number | null {
  const line = centreLine(piece)
  if (!line) return null
  const grain = grainDirection(shape)
  const path = shape.lines[line.id]!
  const ends: [Point, Point] = [path[0]!.from, path[path.length - 1]!.to]
  const far = (p: Point) => Math.abs(alongGrain(p, grain) - levelMm)
  const met = crossPoints(path, grain, levelMm)[0] ?? (far(ends[0]) < far(ends[1]) ? ends[0] : ends[1])
  return dot(met, { x: -grain.y, y: grain.x })
}
