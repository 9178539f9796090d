import { spend } from '../budget'
import { SAME_PARAMETER } from '../tolerances'
import { measureLength, measureSegment } from './measure-length'
import { derivativeAt, pointAt, tangentAt } from './segment'
import type { Path, PathPlace, Point, Segment } from './types'
import { distance, dot, subtract } from './vector'

/** Samples to bracket the nearest parameter of a cubic: a cubic's distance has at most 5 extremes, 24 part them. */
const SAMPLES = 24

function nearestOn(s: Segment, p: Point): number {
  if (s.kind === 'line') {
    const d = subtract(s.to, s.from)
    const length2 = dot(d, d)
    return length2 === 0 ? 0 : Math.min(1, Math.max(0, dot(subtract(p, s.from), d) / length2))
  }
  spend(SAMPLES)
  const gap = (t: number) => distance(pointAt(s, t), p)
  const samples = Array.from({ length: SAMPLES + 1 }, (_, i) => gap(i / SAMPLES))
  let best = 0
  for (let i = 0; i <= SAMPLES; i++) {
    if (samples[i]! > Math.min(samples[i - 1] ?? Infinity, samples[i + 1] ?? Infinity)) continue
    const t = closeIn(s, p, Math.max(0, i - 1) / SAMPLES, Math.min(SAMPLES, i + 1) / SAMPLES)
    if (gap(t) < gap(best)) best = t
  }
  return best
}

/** The distance falls while (B(t) - p) . B'(t) < 0: halved on its sign. */
function closeIn(s: Segment, p: Point, from: number, to: number): number {
  const rising = (t: number) => dot(subtract(pointAt(s, t), p), derivativeAt(s, t)) > 0
  let low = from
  let high = to
  if (rising(low)) return low
  if (!rising(high)) return high
  while (high - low > SAME_PARAMETER) {
    const middle = (low + high) / 2
    if (rising(middle)) high = middle
    else low = middle
  }
  return (low + high) / 2
}

/**
 * The place on a path nearest to a point, with its length from the start and the distance, mm.
 * Bracketed by samples, then halved to 1e-9 of the parameter.
 */
export function nearestPlace(path: Path, p: Point): PathPlace & { distanceMm: number } {
  let best: { at: number; t: number; point: Point; distanceMm: number } | null = null
  for (const [at, s] of path.entries()) {
    if (best && handlesFrom(s, p) >= best.distanceMm) continue
    const t = nearestOn(s, p)
    const point = pointAt(s, t)
    const distanceMm = distance(point, p)
    if (!best || distanceMm < best.distanceMm) best = { at, t, point, distanceMm }
  }
  const { at, t, point, distanceMm } = best!
  const s = path[at]!
  return { lengthMm: measureLength(path.slice(0, at)) + measureSegment(s, 0, t), point, tangent: tangentAt(s, t), distanceMm }
}

/** How far a point lies from the box of a segment's handles, in which the whole segment lies: nothing of it is nearer, mm. */
function handlesFrom(s: Segment, { x, y }: Point): number {
  const [a, b] = s.kind === 'line' ? [s.from, s.to] : [s.c1, s.c2]
  const beside = Math.max(0, Math.min(s.from.x, a.x, b.x, s.to.x) - x, x - Math.max(s.from.x, a.x, b.x, s.to.x))
  const above = Math.max(0, Math.min(s.from.y, a.y, b.y, s.to.y) - y, y - Math.max(s.from.y, a.y, b.y, s.to.y))
  return Math.hypot(beside, above)
}
