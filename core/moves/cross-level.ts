import { dot, measureSegment, pointAt, type Path, type Point, type Segment } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'

/** The grain coordinate of a point: mm along the grain from a fixed origin. */
export const alongGrain = (p: Point, grain: Point): number => dot(p, grain)

/**
 * Where a path crosses a level (a line square to the grain), in order along it, with the direction of crossing:
 * +1 when walking beyond the level, -1 when walking back. Touching without crossing does not count; a point exactly on
 * the level counts as not beyond it.
 */
export function crossLevel(path: Path, grain: Point, levelMm: number): { atMm: number; direction: 1 | -1 }[] {
  const found: { atMm: number; direction: 1 | -1 }[] = []
  const height = (p: Point) => alongGrain(p, grain) - levelMm
  let before = 0
  const beyond = (p: Point) => height(p) > SAME_POINT_MM
  for (const s of path) {
    const own = measureSegment(s)
    const stops = s.kind === 'line' ? [0, 1] : levelTurns(s, grain)
    for (let i = 0; i + 1 < stops.length; i++) {
      let low = stops[i]!
      let high = stops[i + 1]!
      const startBeyond = beyond(pointAt(s, low))
      if (startBeyond === beyond(pointAt(s, high))) continue
      for (let k = 0; k < 50; k++) {
        const middle = (low + high) / 2
        if (beyond(pointAt(s, middle)) === startBeyond) low = middle
        else high = middle
      }
      found.push({ atMm: before + measureSegment(s, 0, high), direction: startBeyond ? -1 : 1 })
    }
    before += own
  }
  return found
}

/** Parameters that part a cubic into stretches monotone along the grain. */
function levelTurns(s: Segment, grain: Point): number[] {
  if (s.kind === 'line') return [0, 1]
  const [p0, p1, p2, p3] = [s.from, s.c1, s.c2, s.to].map((p) => alongGrain(p, grain)) as [number, number, number, number]
  const a = p3 - 3 * p2 + 3 * p1 - p0
  const b = 2 * (p2 - 2 * p1 + p0)
  const c = p1 - p0
  const turns: number[] = []
  if (Math.abs(a) > SAME_POINT_MM) {
    const q = b * b - 4 * a * c
    if (q > 0) turns.push((-b - Math.sqrt(q)) / (2 * a), (-b + Math.sqrt(q)) / (2 * a))
  } else if (Math.abs(b) > SAME_POINT_MM) turns.push(-c / b)
  return [0, ...turns.filter((t) => t > 0 && t < 1).sort((x, y) => x - y), 1]
}
