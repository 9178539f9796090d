import {
  add,
  cross,
  cutPath,
  dot,
  intersectPaths,
  line,
  measureLength,
  placeAt,
  scale,
  subtract,
  type Path,
  type Point,
} from '../../geometry'
import { PARALLEL_RAD, SAME_POINT_MM } from '../../tolerances'

/** Half the length of the line that is looked along, mm: longer than any piece. */
const FAR_MM = 10_000

/**
 * Leads one end of a path to a straight line: cut off where it runs beyond it, or drawn on in its own direction until
 * it gets there. The rest keeps its exact shape.
 *
 * @param atStart which end
 * @param through, along a point of the line and its unit direction
 * @returns null when the end runs along the line and never meets it
 */
export function meetLine(path: Path, atStart: boolean, through: Point, along: Point): Path | null {
  const total = measureLength(path)
  const end = placeAt(path, atStart ? 0 : total)
  if (Math.abs(cross(along, subtract(end.point, through))) <= SAME_POINT_MM) return path
  const hits = intersectPaths(path, [line(subtract(through, scale(along, FAR_MM)), add(through, scale(along, FAR_MM)))])
  const near = atStart ? hits[0] : hits[hits.length - 1]
  if (near) return atStart ? cutPath(path, near.firstMm, total) : cutPath(path, 0, near.firstMm)
  const away = atStart ? scale(end.tangent, -1) : end.tangent
  const pace = cross(along, away)
  if (Math.abs(pace) <= PARALLEL_RAD) return null
  const reach = -cross(along, subtract(end.point, through)) / pace
  if (reach <= 0) return null
  const there = add(end.point, scale(away, reach))
  // On the line to the last digit, so that the outline closes.
  const onLine = add(through, scale(along, dot(subtract(there, through), along)))
  return atStart ? [line(onLine, end.point), ...path] : [...path, line(end.point, onLine)]
}
