import { dot, measureSegment, pointAt, type Cubic, type Path, type Point } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'

/** The grain coordinate of a point: mm along the grain from a fixed origin. */
export const alongGrain = (p: Point, grain: Point): number => dot(p, grain)

/** Halvings of the parameter where a curve crosses a level: to 1e-12 of it. */
const HALVINGS = 40

interface SegmentCrossing {
  index: number
  t: number
  direction: 1 | -1
}

function crossSegments(path: Path, grain: Point, levelMm: number): SegmentCrossing[] {
  const found: SegmentCrossing[] = []
  const height = (p: Point) => p.x * grain.x + p.y * grain.y - levelMm
  for (let index = 0; index < path.length; index++) {
    const s = path[index]!
    const a = height(s.from)
    const b = height(s.to)
    const startBeyond = a > SAME_POINT_MM
    const endBeyond = b > SAME_POINT_MM
    if (s.kind === 'line') {
      if (startBeyond !== endBeyond) found.push({ index, t: Math.min(1, Math.max(0, a / (a - b))), direction: startBeyond ? -1 : 1 })
      continue
    }
    // A curve lies within its handles: when all four are on one side, so is it.
    const firstBeyond = height(s.c1) > SAME_POINT_MM
    const secondBeyond = height(s.c2) > SAME_POINT_MM
    if (startBeyond === endBeyond && startBeyond === firstBeyond && startBeyond === secondBeyond) continue
    crossCubic(s, index, grain, height, found)
  }
  return found
}

function crossCubic(s: Cubic, index: number, grain: Point, height: (p: Point) => number, found: SegmentCrossing[]): void {
  const stops = levelTurns(s, grain)
  for (let i = 0; i + 1 < stops.length; i++) {
    let low = stops[i]!
    let high = stops[i + 1]!
    const startBeyond = height(pointAt(s, low)) > SAME_POINT_MM
    if (startBeyond === height(pointAt(s, high)) > SAME_POINT_MM) continue
    for (let k = 0; k < HALVINGS; k++) {
      const middle = (low + high) / 2
      if (height(pointAt(s, middle)) > SAME_POINT_MM === startBeyond) low = middle
      else high = middle
    }
    found.push({ index, t: high, direction: startBeyond ? -1 : 1 })
  }
}

/**
 * Where a path crosses a level (a line square to the grain), in order along it, with the direction of crossing:
 * +1 when walking beyond the level, -1 when walking back. Touching without crossing does not count; a point exactly on
 * the level counts as not beyond it.
 */
export function crossLevel(path: Path, grain: Point, levelMm: number): { atMm: number; direction: 1 | -1 }[] {
  const crossings = crossSegments(path, grain, levelMm)
  let before = 0
  let reached = 0
  return crossings.map(({ index, t, direction }) => {
    for (; reached < index; reached++) before += measureSegment(path[reached]!)
    return { atMm: before + measureSegment(path[index]!, 0, t), direction }
  })
}

/** The points at which a path crosses a level, in order along it. */
export function crossPoints(path: Path, grain: Point, levelMm: number): Point[] {
  return crossSegments(path, grain, levelMm).map(({ index, t }) => pointAt(path[index]!, t))
}

/** Parameters that part a cubic into stretches monotone along the grain. */
function levelTurns(s: Cubic, grain: Point): number[] {
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
