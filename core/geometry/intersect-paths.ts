import { spend } from '../budget'
import { PARALLEL_RAD, SAME_PARAMETER, SAME_POINT_MM } from '../tolerances'
import { measureSegment } from './measure-length'
import { cutSegment, derivativeAt, pointAt } from './segment'
import { rootsInUnit } from './solve-cubic'
import type { Box, Cubic, Line, Path, Point, Segment } from './types'
import { cross, distance, norm, subtract } from './vector'

export interface Crossing {
  point: Point
  /** mm from the start of the first and of the second path. */
  firstMm: number
  secondMm: number
}

type Hit = [number, number]

function handleBox(s: Segment): Box {
  const ps = s.kind === 'line' ? [s.from, s.to] : [s.from, s.c1, s.c2, s.to]
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const p of ps) {
    box.minX = Math.min(box.minX, p.x)
    box.minY = Math.min(box.minY, p.y)
    box.maxX = Math.max(box.maxX, p.x)
    box.maxY = Math.max(box.maxY, p.y)
  }
  return box
}

const apart = (a: Box, b: Box) =>
  a.minX > b.maxX + SAME_POINT_MM || b.minX > a.maxX + SAME_POINT_MM || a.minY > b.maxY + SAME_POINT_MM || b.minY > a.maxY + SAME_POINT_MM

function clampUnit(t: number): number | null {
  if (t < -SAME_PARAMETER || t > 1 + SAME_PARAMETER) return null
  return Math.min(1, Math.max(0, t))
}

function lineLine(a: Line, b: Line): Hit[] {
  const da = subtract(a.to, a.from)
  const db = subtract(b.to, b.from)
  const between = subtract(b.from, a.from)
  const area = cross(da, db)
  const lengths = norm(da) * norm(db)
  if (Math.abs(area) <= lengths * PARALLEL_RAD) {
    // Parallel: they share places only where an end of one lies on the other.
    const hits: Hit[] = []
    const onto = (s: Line, p: Point): number | null => {
      const d = subtract(s.to, s.from)
      const l2 = d.x * d.x + d.y * d.y
      if (l2 === 0) return distance(s.from, p) <= SAME_POINT_MM ? 0 : null
      const t = clampUnit(((p.x - s.from.x) * d.x + (p.y - s.from.y) * d.y) / l2)
      return t !== null && distance(pointAt(s, t), p) <= SAME_POINT_MM ? t : null
    }
    for (const [p, tb] of [
      [b.from, 0],
      [b.to, 1],
    ] as const) {
      const ta = onto(a, p)
      if (ta !== null) hits.push([ta, tb])
    }
    for (const [p, ta] of [
      [a.from, 0],
      [a.to, 1],
    ] as const) {
      const tb = onto(b, p)
      if (tb !== null) hits.push([ta, tb])
    }
    return hits
  }
  const ta = clampUnit(cross(between, db) / area)
  const tb = clampUnit(cross(between, da) / area)
  return ta === null || tb === null ? [] : [[ta, tb]]
}

function lineCubic(a: Line, b: Cubic): Hit[] {
  const d = subtract(a.to, a.from)
  const l2 = d.x * d.x + d.y * d.y
  if (l2 === 0) return []
  const off = (p: Point) => cross(d, subtract(p, a.from))
  const [p0, p1, p2, p3] = [off(b.from), off(b.c1), off(b.c2), off(b.to)]
  const roots = rootsInUnit(p3 - 3 * p2 + 3 * p1 - p0, 3 * (p2 - 2 * p1 + p0), 3 * (p1 - p0), p0)
  const hits: Hit[] = []
  for (const tb of roots) {
    const p = pointAt(b, tb)
    const ta = clampUnit(((p.x - a.from.x) * d.x + (p.y - a.from.y) * d.y) / l2)
    if (ta !== null) hits.push([ta, tb])
  }
  return hits
}

/** Halvings before Newton takes over: boxes are then about a thousandth of the curve. */
const HALVINGS = 10

/** Pairs of boxes looked at before giving up: curves that lie on each other would need millions. */
const MOST_PAIRS = 6000

function cubicCubic(a: Segment, b: Segment): Hit[] {
  const hits: Hit[] = []
  let pairs = 0
  const search = (sa: Segment, a0: number, a1: number, sb: Segment, b0: number, b1: number, depth: number): void => {
    spend()
    if (++pairs > MOST_PAIRS || apart(handleBox(sa), handleBox(sb))) return
    if (depth >= HALVINGS) {
      const hit = polish(a, b, (a0 + a1) / 2, (b0 + b1) / 2)
      if (hit && hits.every((h) => Math.abs(h[0] - hit[0]) > SAME_PARAMETER * 1000)) hits.push(hit)
      return
    }
    const am = (a0 + a1) / 2
    const bm = (b0 + b1) / 2
    const [la, ra] = [cutSegment(a, a0, am), cutSegment(a, am, a1)]
    const [lb, rb] = [cutSegment(b, b0, bm), cutSegment(b, bm, b1)]
    search(la, a0, am, lb, b0, bm, depth + 1)
    search(la, a0, am, rb, bm, b1, depth + 1)
    search(ra, am, a1, lb, b0, bm, depth + 1)
    search(ra, am, a1, rb, bm, b1, depth + 1)
  }
  search(a, 0, 1, b, 0, 1, 0)
  return hits
}

function polish(a: Segment, b: Segment, ta: number, tb: number): Hit | null {
  for (let i = 0; i < 12; i++) {
    const gap = subtract(pointAt(b, tb), pointAt(a, ta))
    const da = derivativeAt(a, ta)
    const db = derivativeAt(b, tb)
    const area = cross(da, db)
    if (area === 0) break
    ta = Math.min(1, Math.max(0, ta + cross(gap, db) / area))
    tb = Math.min(1, Math.max(0, tb + cross(gap, da) / area))
  }
  return distance(pointAt(a, ta), pointAt(b, tb)) <= SAME_POINT_MM ? [ta, tb] : null
}

function hitsOf(a: Segment, b: Segment): Hit[] {
  if (apart(handleBox(a), handleBox(b))) return []
  if (a.kind === 'line') return b.kind === 'line' ? lineLine(a, b) : lineCubic(a, b)
  return b.kind === 'line' ? lineCubic(b, a).map(([tb, ta]) => [ta, tb]) : cubicCubic(a, b)
}

/**
 * Where two paths meet, in order along the first. Straight parts that lie on each other give the ends of the shared
 * part; curves that lie on each other give some shared places, never all.
 */
export function intersectPaths(first: Path, second: Path): Crossing[] {
  const found: Crossing[] = []
  let firstBefore = 0
  for (const a of first) {
    let secondBefore = 0
    spend(second.length)
    for (const b of second) {
      for (const [ta, tb] of hitsOf(a, b)) {
        const point = pointAt(a, ta)
        if (found.some((f) => distance(f.point, point) <= SAME_POINT_MM * 10)) continue
        found.push({
          point,
          firstMm: firstBefore + measureSegment(a, 0, ta),
          secondMm: secondBefore + measureSegment(b, 0, tb),
        })
      }
      secondBefore += measureSegment(b)
    }
    firstBefore += measureSegment(a)
  }
  return found.sort((x, y) => x.firstMm - y.firstMm)
}
