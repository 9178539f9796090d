import { finite, spend } from '../budget'
import type { Path, Point, Segment } from './types'
import { pointAt } from './segment'
import { norm } from './vector'

/** Steps that keep a cubic's chords within a tolerance of it: the second difference bounds the sagitta. */
function stepsFor(s: Segment, toleranceMm: number): number {
  if (s.kind === 'line') return 1
  const bend = Math.max(
    norm({ x: s.from.x - 2 * s.c1.x + s.c2.x, y: s.from.y - 2 * s.c1.y + s.c2.y }),
    norm({ x: s.c1.x - 2 * s.c2.x + s.to.x, y: s.c1.y - 2 * s.c2.y + s.to.y }),
  )
  return Math.max(1, Math.ceil(Math.sqrt((0.75 * finite(bend)) / toleranceMm)))
}

/** Points along a path so that the chords between them stay within a tolerance of it, mm. Both ends are included. */
export function flattenPath(path: Path, toleranceMm: number): Point[] {
  const points: Point[] = [path[0]!.from]
  for (const s of path) {
    const steps = stepsFor(s, toleranceMm)
    spend(steps)
    for (let i = 1; i < steps; i++) points.push(pointAt(s, i / steps))
    points.push(s.to)
  }
  return points
}
