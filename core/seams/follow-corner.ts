import {
  add,
  carryBetween,
  crossLevel,
  cutPath,
  dot,
  measureLength,
  reversePath,
  subtract,
  tangentAt,
  type Path,
  type Point,
} from '../geometry'
import { displacePath } from '../moves'
import type { Piece } from '../pattern'

/**
 * A line beside an end that goes along, drawn from where it crosses a level to its new end, running as it did at both (`carryBetween`);
 * null where it does not cross the level, or is no curve there.
 *
 * @param path walked toward the end that goes along
 */
function followFrom(path: Path, grain: Point, levelMm: number, by: Point): Path | null {
  const from = crossLevel(path, grain, levelMm).at(-1)?.atMm
  if (from === undefined) return null
  const stretch = cutPath(path, from, measureLength(path))
  const [first, last] = [stretch[0]!, stretch[stretch.length - 1]!]
  const [start, end] = [
    { point: first.from, along: tangentAt(first, 0) },
    { point: last.to, along: tangentAt(last, 1) },
  ]
  const carry = carryBetween([start, end], [start, { ...end, point: add(end.point, by) }])
  return carry && [...cutPath(path, 0, from), ...carry(stretch)]
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
