import { spend } from '../budget'
import { SAME_PARAMETER } from '../tolerances'
import { measureSegment } from './measure-length'
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
  let best: (PathPlace & { distanceMm: number }) | null = null
  let before = 0
  for (const s of path) {
    const t = nearestOn(s, p)
    const point = pointAt(s, t)
    const distanceMm = distance(point, p)
    if (!best || distanceMm < best.distanceMm)
      best = { lengthMm: before + measureSegment(s, 0, t), point, tangent: tangentAt(s, t), distanceMm }
    before += measureSegment(s)
  }
  return best!
}
