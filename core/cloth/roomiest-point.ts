import { add, boundsOfPoints, distance, dot, scale, subtract, type Point } from '../geometry'
import { containsPoint } from '../moves'

/** Places looked at along and across. */
const GRID = 18

/** How far a point lies from a chord. */
function toChord(p: Point, a: Point, b: Point): number {
  const along = subtract(b, a)
  const long2 = dot(along, along)
  const t = long2 === 0 ? 0 : Math.min(1, Math.max(0, dot(subtract(p, a), along) / long2))
  return distance(p, add(a, scale(along, t)))
}

/** Of the most room there is, so much is as good. */
const AS_MUCH = 0.97

const known = new WeakMap<readonly Point[], Point>()

/** A place within a polygon with much room round it, for a word; the same polygon is looked at once. */
export function roomiestPoint(polygon: readonly Point[]): Point {
  const before = known.get(polygon)
  if (before) return before
  const { minX, maxX, minY, maxY } = boundsOfPoints(polygon)
  const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 }
  const places: { at: Point; room: number }[] = []
  for (let i = 1; i < GRID; i++)
    for (let k = 1; k < GRID; k++) {
      const at = { x: minX + ((maxX - minX) * i) / GRID, y: minY + ((maxY - minY) * k) / GRID }
      if (!containsPoint(polygon, at)) continue
      places.push({ at, room: Math.min(...polygon.map((a, n) => toChord(at, a, polygon[(n + 1) % polygon.length]!))) })
    }
  // In a band there is as much room nearly everywhere: then in its middle.
  const most = Math.max(...places.map((p) => p.room))
  const [first, ...others] = places.filter((p) => p.room >= AS_MUCH * most).map((p) => p.at)
  const best = others.reduce((a, b) => (distance(b, middle) < distance(a, middle) ? b : a), first ?? middle)
  known.set(polygon, best)
  return best
}
