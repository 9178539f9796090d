import type { Path, Point } from './types'
import { dot } from './vector'
import { measureSegment } from './measure-length'
import { pointAt } from './segment'
import { SAME_PARAMETER, SAME_POINT_MM } from '../tolerances'

/** The grain coordinate of a point: mm along the grain from a fixed origin. */
export const alongGrain = (p: Point, grain: Point): number => dot(p, grain)

/** Most steps of the search for a crossing: Newton needs about five, halving alone 40 for 1e-12 of the parameter. */
const MOST_STEPS = 60

interface SegmentCrossing {
  index: number
  t: number
  direction: 1 | -1
}

function crossSegments(path: Path, grain: Point, levelMm: number): SegmentCrossing[] {
  const found: SegmentCrossing[] = []
  // Heights beyond the level; a point within SAME_POINT_MM of it is not beyond.
  const level = levelMm + SAME_POINT_MM
  for (let index = 0; index < path.length; index++) {
    const s = path[index]!
    const a = alongGrain(s.from, grain) - level
    const b = alongGrain(s.to, grain) - level
    if (s.kind === 'line') {
      const t = (a + SAME_POINT_MM) / (a - b)
      if (a > 0 !== b > 0) found.push({ index, t: Math.min(1, Math.max(0, t)), direction: a > 0 ? -1 : 1 })
      continue
    }
    // A curve lies within its handles: when all four are on one side, so is it.
    const c1 = alongGrain(s.c1, grain) - level
    const c2 = alongGrain(s.c2, grain) - level
    if (a > 0 === b > 0 && a > 0 === c1 > 0 && a > 0 === c2 > 0) continue
    crossCubic(a, c1, c2, b, index, found)
  }
  return found
}

/** The crossings of one cubic from the heights of its four points: one in each stretch between its turns that changes sides. */
function crossCubic(p0: number, p1: number, p2: number, p3: number, index: number, found: SegmentCrossing[]): void {
  // Height = ((a t + b) t + c) t + p0
  const a = p3 - 3 * p2 + 3 * p1 - p0
  const b = 3 * (p2 - 2 * p1 + p0)
  const c = 3 * (p1 - p0)
  let low = 0
  let lowHeight = p0
  for (const end of [...turnsOf(a, b, c), 1]) {
    const endHeight = ((a * end + b) * end + c) * end + p0
    if (lowHeight > 0 !== endHeight > 0)
      found.push({ index, t: rootBetween(a, b, c, p0, low, end, lowHeight > 0), direction: lowHeight > 0 ? -1 : 1 })
    low = end
    lowHeight = endHeight
  }
}

/** Parameters strictly inside a cubic at which its height turns, in order. */
function turnsOf(a: number, b: number, c: number): number[] {
  const inside = (t: number) => t > 0 && t < 1
  if (Math.abs(a) <= SAME_POINT_MM) return Math.abs(b) > SAME_POINT_MM ? [-c / (2 * b)].filter(inside) : []
  const q = b * b - 3 * a * c
  if (q <= 0) return []
  const root = Math.sqrt(q)
  return [(-b - root) / (3 * a), (-b + root) / (3 * a)].filter(inside).sort((x, y) => x - y)
}

/** The root of a cubic that is monotone between two parameters: Newton's steps, halving where one would leave the bracket. */
function rootBetween(a: number, b: number, c: number, d: number, from: number, to: number, startAbove: boolean): number {
  let low = from
  let high = to
  let t = (low + high) / 2
  for (let i = 0; i < MOST_STEPS; i++) {
    const height = ((a * t + b) * t + c) * t + d
    if (height > 0 === startAbove) low = t
    else high = t
    const slope = (3 * a * t + 2 * b) * t + c
    const newton = t - height / slope
    const next = newton > low && newton < high ? newton : (low + high) / 2
    if (Math.abs(next - t) <= SAME_PARAMETER) return next
    t = next
  }
  return t
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
