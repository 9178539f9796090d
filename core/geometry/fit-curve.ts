import { finite, spend } from '../budget'
import { SAME_POINT_MM } from '../tolerances'
import { cubic, line } from './segment'
import type { Cubic, Path, Point, Segment } from './types'
import { add, cross, distance, dot, scale, subtract, unit } from './vector'

/** Rounds of moving each point's parameter to its nearest place; more change the fit by less than 0.001 mm. */
const ROUNDS = 20

/** A round that leaves more than this part of the error is not worth another: the run is split instead. */
const SLOW = 0.97

/** Handles longer than the chord make a loop or a cusp: a half circle needs two thirds of it. */
const LONGEST_HANDLE = 1

function chordParameters(points: readonly Point[]): number[] {
  const along = [0]
  for (let i = 1; i < points.length; i++) along.push(along[i - 1]! + distance(points[i]!, points[i - 1]!))
  const total = along[along.length - 1]!
  return along.map((a) => (total === 0 ? 0 : a / total))
}

/** Least squares for the two handle lengths, ends and (unit) end directions fixed (Schneider, Graphics Gems I, 1990). */
function handlesFor(points: readonly Point[], ts: readonly number[], startDir: Point, endDir: Point): Cubic {
  const from = points[0]!
  const to = points[points.length - 1]!
  let c00 = 0
  let c01 = 0
  let c11 = 0
  let x0 = 0
  let x1 = 0
  const along = dot(startDir, endDir)
  // The innermost loop of all redrawing: figures, no points.
  for (let i = 0; i < points.length; i++) {
    const { x, y } = points[i]!
    const t = ts[i]!
    const u = 1 - t
    const b1 = 3 * u * u * t
    const b2 = 3 * u * t * t
    const [atFrom, atTo] = [u * u * u + b1, b2 + t * t * t]
    const restX = x - from.x * atFrom - to.x * atTo
    const restY = y - from.y * atFrom - to.y * atTo
    c00 += b1 * b1
    c01 -= b1 * b2 * along
    c11 += b2 * b2
    x0 += b1 * (restX * startDir.x + restY * startDir.y)
    x1 -= b2 * (restX * endDir.x + restY * endDir.y)
  }
  const chord = distance(from, to)
  const det = c00 * c11 - c01 * c01
  let start = det === 0 ? 0 : (x0 * c11 - x1 * c01) / det
  let end = det === 0 ? 0 : (c00 * x1 - c01 * x0) / det
  // A handle that points backwards, or past the chord, would make a loop: fall back to thirds.
  if (!(start > chord / 1000) || !(end > chord / 1000) || start > chord * LONGEST_HANDLE || end > chord * LONGEST_HANDLE) {
    start = chord / 3
    end = chord / 3
  }
  return cubic(from, add(from, scale(startDir, start)), subtract(to, scale(endDir, end)), to)
}

/** The point that lies furthest off the curve at its own parameter. */
function worstOf(curve: Cubic, points: readonly Point[], ts: readonly number[]): { off: number; index: number } {
  const { ax, ay, bx, by, cx, cy } = powersOf(curve)
  const { x: x0, y: y0 } = curve.from
  let off2 = 0
  let index = Math.floor(points.length / 2)
  for (let i = 1; i < points.length - 1; i++) {
    const t = ts[i]!
    const dx = ((ax * t + bx) * t + cx) * t + x0 - points[i]!.x
    const dy = ((ay * t + by) * t + cy) * t + y0 - points[i]!.y
    const d2 = dx * dx + dy * dy
    if (d2 > off2) {
      off2 = d2
      index = i
    }
  }
  return { off: Math.sqrt(off2), index }
}

/** A cubic as a t^3 + b t^2 + c t + from. */
function powersOf({ from, c1, c2, to }: Cubic) {
  const cx = 3 * (c1.x - from.x)
  const cy = 3 * (c1.y - from.y)
  const bx = 3 * (c2.x - c1.x) - cx
  const by = 3 * (c2.y - c1.y) - cy
  return { ax: to.x - from.x - cx - bx, ay: to.y - from.y - cy - by, bx, by, cx, cy }
}

/** One Newton step of each parameter toward the nearest place on the curve. */
function closer(curve: Cubic, points: readonly Point[], ts: readonly number[]): number[] {
  const { ax, ay, bx, by, cx, cy } = powersOf(curve)
  const { x: x0, y: y0 } = curve.from
  const next = [...ts]
  for (let i = 1; i < points.length - 1; i++) {
    const t = ts[i]!
    const dx = ((ax * t + bx) * t + cx) * t + x0 - points[i]!.x
    const dy = ((ay * t + by) * t + cy) * t + y0 - points[i]!.y
    const wayX = (3 * ax * t + 2 * bx) * t + cx
    const wayY = (3 * ay * t + 2 * by) * t + cy
    const speed2 = wayX * wayX + wayY * wayY
    if (speed2 > 0) next[i] = Math.min(1, Math.max(0, t - (dx * wayX + dy * wayY) / speed2))
  }
  return next
}

/**
 * A smooth path through points, leaving and arriving in given directions, within a tolerance of every point.
 * One cubic where one will do; otherwise split at the worst point, with a shared direction there.
 *
 * @param points two or more, in order
 * @param startDir, endDir unit directions of travel at the ends
 * @param toleranceMm how far a point may lie off the curve
 */
export function fitCurve(points: readonly Point[], startDir: Point, endDir: Point, toleranceMm: number): Path {
  const from = points[0]!
  const to = points[points.length - 1]!
  const chord = finite(distance(from, to))
  spend(points.length)
  if (points.length <= 2 || chord <= SAME_POINT_MM) {
    const along = unit(subtract(to, from))
    const bent = Math.abs(cross(along, startDir)) + Math.abs(cross(along, endDir)) > SAME_POINT_MM
    if (!bent || chord <= SAME_POINT_MM) return [line(from, to)]
    return [cubic(from, add(from, scale(startDir, chord / 3)), subtract(to, scale(endDir, chord / 3)), to)]
  }
  let ts = chordParameters(points)
  let curve = handlesFor(points, ts, startDir, endDir)
  let worst = worstOf(curve, points, ts)
  for (let round = 0; round < ROUNDS && worst.off > toleranceMm; round++) {
    spend(points.length)
    ts = closer(curve, points, ts)
    curve = handlesFor(points, ts, startDir, endDir)
    const next = worstOf(curve, points, ts)
    const stuck = next.off > worst.off * SLOW
    worst = next
    if (stuck) break
  }
  if (worst.off <= toleranceMm) return [curve]
  const k = Math.min(Math.max(worst.index, 1), points.length - 2)
  const through = unit(subtract(points[k + 1]!, points[k - 1]!))
  return [...fitCurve(points.slice(0, k + 1), startDir, through, toleranceMm), ...fitCurve(points.slice(k), through, endDir, toleranceMm)]
}

/** True when a path is one straight line from end to end (lines and straight cubics on one line, no running back). */
export function isStraightPath(path: Path, toleranceMm: number): boolean {
  const from = path[0]!.from
  const to = path[path.length - 1]!.to
  const length = distance(from, to)
  if (length <= SAME_POINT_MM) return false
  const along = scale(subtract(to, from), 1 / length)
  let reached = -toleranceMm
  const fits = (p: Point): boolean => {
    const d = subtract(p, from)
    const a = dot(d, along)
    const fine = Math.abs(cross(along, d)) <= toleranceMm && a >= reached - toleranceMm
    reached = Math.max(reached, a)
    return fine
  }
  return path.every((s: Segment) => (s.kind === 'line' ? fits(s.to) : fits(s.c1) && fits(s.c2) && fits(s.to)))
}
