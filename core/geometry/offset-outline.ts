import { OFFSET_FIT_MM, PARALLEL_RAD, SAME_POINT_MM } from '../tolerances'
import { cutPath } from './cut-path'
import { fitCurve } from './fit-curve'
import { intersectPaths } from './intersect-paths'
import { measureLength, measureSegment } from './measure-length'
import { isStraight, line, pointAt, tangentAt } from './segment'
import type { Path, Point, Segment } from './types'
import { add, cross, distance, leftOf, scale, subtract } from './vector'

/** A mitre longer than this many allowances is cut off square, as one does with scissors. */
const MITRE_LIMIT = 4

/** Samples an offset curve is fitted through, per segment. */
const SAMPLES = 16

/**
 * A path moved sideways by a distance, to the left of travel when positive (outward on an outline). Lines stay lines;
 * a curve is refitted through exact offset points within 0.02 mm.
 */
export function offsetPath(path: Path, byMm: number): Path {
  if (byMm === 0) return path
  return path.flatMap((s): Segment[] => {
    if (measureSegment(s) <= SAME_POINT_MM) return []
    const moved = (t: number): Point => add(pointAt(s, t), scale(leftOf(tangentAt(s, t)), byMm))
    if (isStraight(s)) return [line(moved(0), moved(1))]
    const points = Array.from({ length: SAMPLES + 1 }, (_, i) => moved(i / SAMPLES))
    return [...fitCurve(points, tangentAt(s, 0), tangentAt(s, 1), OFFSET_FIT_MM)]
  })
}

/**
 * Joins neighbouring offset segments of one edge: ends that all but meet are made to (curves written to a file turn by a
 * hair at their joins), those that cross are trimmed, those that part are bridged.
 */
function joinInside(path: Path): Path {
  const out: Segment[] = []
  for (const s of path) {
    const last = out[out.length - 1]
    const gapMm = last ? distance(last.to, s.from) : 0
    if (!last || gapMm <= SAME_POINT_MM) out.push(s)
    else if (gapMm <= OFFSET_FIT_MM) out.push({ ...s, from: last.to })
    else {
      const hit = intersectPaths([last], [s]).at(-1)
      if (hit) out.splice(-1, 1, ...cutPath([last], 0, hit.firstMm), ...cutPath([s], hit.secondMm, measureLength([s])))
      else out.push(line(last.to, s.from), s)
    }
  }
  return out
}

interface Joined {
  before: Path
  after: Path
  between: Segment[]
}

/** Joins two offset edges at their corner: trimmed where they cross, else run out straight to a point, else cut square. */
function joinCorner(before: Path, after: Path, corner: Point, reachMm: number): Joined {
  const end = before[before.length - 1]!
  const start = after[0]!
  if (distance(end.to, start.from) <= SAME_POINT_MM) return { before, after, between: [] }
  const crossings = intersectPaths(before, after)
  if (crossings.length > 0) {
    const hit = crossings[crossings.length - 1]!
    return {
      before: cutPath(before, 0, hit.firstMm),
      after: cutPath(after, hit.secondMm, measureLength(after)),
      between: [],
    }
  }
  const d1 = tangentAt(end, 1)
  const d2 = tangentAt(start, 0)
  // One of them, run out straight, meets the other: edges of different allowances that lean toward each other.
  const out = line(end.to, add(end.to, scale(d1, reachMm * MITRE_LIMIT)))
  const [onAfter] = intersectPaths([out], after)
  if (onAfter) return { before, after: cutPath(after, onAfter.secondMm, measureLength(after)), between: [line(end.to, onAfter.point)] }
  const back = line(start.from, add(start.from, scale(d2, -reachMm * MITRE_LIMIT)))
  const [onBefore] = intersectPaths([back], before)
  if (onBefore) return { before: cutPath(before, 0, onBefore.secondMm), after: [line(onBefore.point, start.from), ...after], between: [] }
  const area = cross(d1, d2)
  if (Math.abs(area) > PARALLEL_RAD) {
    const gap = subtract(start.from, end.to)
    const forward = cross(gap, d2) / area
    const backward = -cross(gap, d1) / area
    const tip = add(end.to, scale(d1, forward))
    if (forward >= 0 && backward >= 0 && distance(tip, corner) <= reachMm * MITRE_LIMIT)
      return { before, after, between: [line(end.to, tip), line(tip, start.from)] }
  }
  return { before, after, between: [line(end.to, start.from)] }
}

/**
 * Moves every edge of a closed outline outward by its own distance and joins them with proper corners: run out to a
 * point on an outer corner, trimmed on an inner one, square across where a point would be longer than 4 allowances.
 *
 * @param edges the outline's edges in order, clockwise on the page
 * @param byMm one distance per edge, mm; negative moves inward (from a cut line to its seam line)
 * @returns per edge its moved path (corner pieces belong to the edge before the corner)
 */
export function offsetOutline(edges: readonly Path[], byMm: readonly number[]): Path[] {
  const moved = edges.map((e, i) => joinInside(offsetPath(e, byMm[i]!)))
  const n = moved.length
  const corners: Segment[][] = moved.map(() => [])
  for (let i = 0; i < n; i++) {
    const next = (i + 1) % n
    const corner = edges[next]![0]!.from
    const reach = Math.max(Math.abs(byMm[i]!), Math.abs(byMm[next]!))
    const joined = joinCorner(moved[i]!, moved[next]!, corner, reach)
    moved[i] = joined.before
    moved[next] = joined.after
    corners[i] = joined.between
  }
  return moved.map((path, i) => [...path, ...corners[i]!])
}
