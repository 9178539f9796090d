import { SAME_POINT_MM } from '../tolerances'
import { alongGrain, crossLevel, crossPoints } from './cross-level'
import { placeAt } from './place-at'
import type { Path, Point } from './types'
import { dot, subtract, unit } from './vector'

/**
 * Where a ray from a point meets a path first along the path, mm along it; null where it does not. It is a level of the path, square to
 * the ray's own direction, of which the half ahead of the point counts.
 *
 * @example placeOnRay([line({ x: 3, y: -1 }, { x: 3, y: 5 })], { x: 0, y: 0 }, { x: 1, y: 0 }) // 1
 */
export function placeOnRay(path: Path, from: Point, ray: Point): number | null {
  const onward = unit(ray)
  const across = { x: -onward.y, y: onward.x }
  const level = alongGrain(from, across)
  const isAhead = (p: Point) => dot(subtract(p, from), onward) > 0
  const start = path[0]!.from
  if (Math.abs(alongGrain(start, across) - level) <= SAME_POINT_MM && isAhead(start)) return 0
  const points = crossPoints(path, across, level)
  const met = crossLevel(path, across, level).find((_, i) => isAhead(points[i]!))
  if (!met) return null
  // A level lets pass what lies a rounding beside it: one step of Newton's sets that right.
  const { point, tangent } = placeAt(path, met.atMm)
  const slope = dot(tangent, across)
  return slope === 0 ? met.atMm : met.atMm - (alongGrain(point, across) - level) / slope
}
