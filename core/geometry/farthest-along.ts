import { pointAt } from './segment'
import { rootsInUnit } from './solve-cubic'
import type { Path, Point, Segment } from './types'
import { dot } from './vector'

/** Where a curve turns back in a direction: the parameters at which it runs square to it. */
export function turnsAlong(s: Segment, direction: Point): number[] {
  if (s.kind === 'line') return []
  const [p0, p1, p2, p3] = [s.from, s.c1, s.c2, s.to].map((p) => dot(p, direction)) as [number, number, number, number]
  return rootsInUnit(0, 3 * (p3 - 3 * p2 + 3 * p1 - p0), 6 * (p2 - 2 * p1 + p0), 3 * (p1 - p0))
}

/**
 * The point of a path that lies farthest in a direction; exact for curves, the first of several.
 *
 * @param direction of any length above zero
 */
export function farthestAlong(path: Path, direction: Point): Point {
  const points = path.flatMap((s) => [s.from, s.to, ...turnsAlong(s, direction).map((t) => pointAt(s, t))])
  return points.reduce((a, b) => (dot(b, direction) > dot(a, direction) ? b : a))
}
