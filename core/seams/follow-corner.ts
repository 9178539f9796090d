import { carryBetween, crossLevel, dot, measureLength, reversePath, subtract, type Path, type Point } from '../geometry'
import { displacePath } from '../moves'
import type { Piece } from '../pattern'
import { movedEnd, partOfPath, stretchOf } from './carry-runs'

/** Less than this of a line is no curve that could be drawn between other ends, mm. */
const LEAST_MM = 1

/**
 * A line beside an end that goes along, drawn from where it crosses a level to its new end, running as it did at both (`carryBetween`);
 * null where it does not cross the level, crosses it close to that end, or is no curve there.
 *
 * @param path walked toward the end that goes along
 */
function followFrom(path: Path, grain: Point, levelMm: number, by: Point): Path | null {
  const total = measureLength(path)
  const crossing = crossLevel(path, grain, levelMm).at(-1)?.atMm
  if (crossing === undefined || total - crossing < LEAST_MM) return null
  const { from, to, ends } = stretchOf(path, crossing, total)
  const carry = carryBetween(ends, [ends[0], movedEnd(ends[1], { by })])
  return carry && [...partOfPath(path, total, 0, from), ...carry(partOfPath(path, total, from, to))]
}

/**
 * The edge beside an end of a seam follows the corner that they share: from where it crosses a level on, or as a whole, measured along
 * the direction in which it runs.
 *
 * @param edges lines of the piece, of which that of the edge is drawn anew
 * @param atStart is the corner at the beginning of the edge?
 * @param stillBeyondMm the level, mm along the grain
 */
export function followCorner(
  piece: Piece,
  edges: Record<string, Path>,
  edgeId: string,
  atStart: boolean,
  by: Point,
  { down, across }: { down: Point; across: Point },
  stillBeyondMm: number | undefined,
) {
  const path = edges[edgeId]!
  const toward = atStart ? reversePath(path) : path
  const drawn = stillBeyondMm === undefined ? null : followFrom(toward, down, stillBeyondMm, by)
  if (drawn) {
    edges[edgeId] = atStart ? reversePath(drawn) : drawn
    return
  }
  const none = { x: 0, y: 0 }
  const chord = subtract(path[path.length - 1]!.to, path[0]!.from)
  const measured = Math.abs(dot(chord, across)) >= Math.abs(dot(chord, down)) ? across : down
  const isLeg = piece.edges.find((e) => e.id === edgeId)!.role === 'dart-leg'
  edges[edgeId] = displacePath(path, measured, atStart ? by : none, atStart ? none : by, isLeg ? {} : { eased: true })
}
