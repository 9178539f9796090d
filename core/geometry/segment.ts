import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'
import type { Cubic, Line, Point, Segment } from './types'
import { cross, distance, dot, mix, norm, subtract, unit } from './vector'

export const line = (from: Point, to: Point): Line => ({ kind: 'line', from, to })
export const cubic = (from: Point, c1: Point, c2: Point, to: Point): Cubic => ({ kind: 'cubic', from, c1, c2, to })

/** The point at parameter t in 0..1. */
export function pointAt(s: Segment, t: number): Point {
  if (s.kind === 'line') return mix(s.from, s.to, t)
  const u = 1 - t
  const a = u * u * u
  const b = 3 * u * u * t
  const c = 3 * u * t * t
  const d = t * t * t
  return {
    x: a * s.from.x + b * s.c1.x + c * s.c2.x + d * s.to.x,
    y: a * s.from.y + b * s.c1.y + c * s.c2.y + d * s.to.y,
  }
}

/** First derivative at t, mm per unit of t. */
export function derivativeAt(s: Segment, t: number): Point {
  if (s.kind === 'line') return subtract(s.to, s.from)
  const u = 1 - t
  const a = 3 * u * u
  const b = 6 * u * t
  const c = 3 * t * t
  return {
    x: a * (s.c1.x - s.from.x) + b * (s.c2.x - s.c1.x) + c * (s.to.x - s.c2.x),
    y: a * (s.c1.y - s.from.y) + b * (s.c2.y - s.c1.y) + c * (s.to.y - s.c2.y),
  }
}

/** Unit direction of travel at t; where a handle has no length, the direction just beside it. */
export function tangentAt(s: Segment, t: number): Point {
  const d = derivativeAt(s, t)
  if (s.kind === 'line' || norm(d) > SAME_POINT_MM) return unit(d)
  const candidates = t < 0.5 ? [subtract(s.c2, s.from), subtract(s.to, s.from)] : [subtract(s.to, s.c1), subtract(s.to, s.from)]
  return unit(candidates.find((c) => norm(c) > SAME_POINT_MM) ?? d)
}

/** The part of a segment between two parameters (de Casteljau: same curve, exactly). */
export function cutSegment(s: Segment, t0: number, t1: number): Segment {
  if (t0 === 0 && t1 === 1) return s
  if (s.kind === 'line') return line(pointAt(s, t0), pointAt(s, t1))
  const from = pointAt(s, t0)
  const to = pointAt(s, t1)
  const third = (t1 - t0) / 3
  const d0 = derivativeAt(s, t0)
  const d1 = derivativeAt(s, t1)
  return cubic(from, { x: from.x + d0.x * third, y: from.y + d0.y * third }, { x: to.x - d1.x * third, y: to.y - d1.y * third }, to)
}

/** The same segment walked the other way. */
export function reverseSegment(s: Segment): Segment {
  return s.kind === 'line' ? line(s.to, s.from) : cubic(s.to, s.c2, s.c1, s.from)
}

export function mapSegment(s: Segment, f: (p: Point) => Point): Segment {
  return s.kind === 'line' ? line(f(s.from), f(s.to)) : cubic(f(s.from), f(s.c1), f(s.c2), f(s.to))
}

/** True for lines, and for cubics drawn straight from end to end without running back. */
export function isStraight(s: Segment): boolean {
  if (s.kind === 'line') return true
  const chord = subtract(s.to, s.from)
  const length = distance(s.from, s.to)
  if (length <= SAME_POINT_MM) return false
  const along = (p: Point) => dot(subtract(p, s.from), chord) / length
  const off = (p: Point) => Math.abs(cross(chord, subtract(p, s.from))) / length
  const a = along(s.c1)
  const b = along(s.c2)
  return off(s.c1) <= STRAIGHT_MM && off(s.c2) <= STRAIGHT_MM && a >= 0 && b >= a && b <= length
}

/** The points that state a segment: its ends, and the handles of a curve. */
export const pointsOf = (s: Segment): Point[] => (s.kind === 'line' ? [s.from, s.to] : [s.from, s.c1, s.c2, s.to])
