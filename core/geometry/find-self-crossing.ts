import { spend } from '../budget'
import { FLATTEN_MM, SAME_POINT_MM } from '../tolerances'
import { flattenPath } from './flatten-path'
import type { Path, Point } from './types'
import { cross, distance, subtract } from './vector'

/**
 * The first place where a closed outline crosses itself, or null. Works on chords within 0.1 mm of the curves, swept
 * from the top of the page down; touching at a shared corner is not crossing.
 */
export function findSelfCrossing(closed: Path): Point | null {
  const points = flattenPath(closed, FLATTEN_MM).filter((p, i, all) => i === 0 || distance(p, all[i - 1]!) > SAME_POINT_MM)
  if (distance(points[0]!, points[points.length - 1]!) <= SAME_POINT_MM) points.pop()
  const n = points.length
  const chords = points.map((a, i) => {
    const b = points[(i + 1) % n]!
    return { i, a, b, top: Math.min(a.y, b.y), bottom: Math.max(a.y, b.y), left: Math.min(a.x, b.x), right: Math.max(a.x, b.x) }
  })
  chords.sort((p, q) => p.top - q.top)
  for (let k = 0; k < n; k++) {
    const s = chords[k]!
    for (let m = k + 1; m < n && chords[m]!.top <= s.bottom; m++) {
      const r = chords[m]!
      spend()
      if (r.left > s.right || s.left > r.right) continue
      const apartBy = Math.abs(s.i - r.i)
      if (apartBy === 1 || apartBy === n - 1) continue
      const d1 = subtract(s.b, s.a)
      const d2 = subtract(r.b, r.a)
      const o1 = cross(d1, subtract(r.a, s.a))
      const o2 = cross(d1, subtract(r.b, s.a))
      const o3 = cross(d2, subtract(s.a, r.a))
      const o4 = cross(d2, subtract(s.b, r.a))
      if (o1 * o2 < 0 && o3 * o4 < 0) {
        const t = o3 / (o3 - o4)
        return { x: s.a.x + d1.x * t, y: s.a.y + d1.y * t }
      }
    }
  }
  return null
}
