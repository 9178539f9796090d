import { SAME_PARAMETER, SAME_POINT_MM } from '../tolerances'
import { measureLength } from './measure-length'
import { locate } from './place-at'
import { cutSegment, line, pointAt } from './segment'
import type { Path, Segment } from './types'

/**
 * The part of a path between two lengths along it, mm; its curves are the same curves, exactly.
 * A part of no length is a single line of no length at that place.
 */
export function cutPath(path: Path, fromMm: number, toMm: number): Path {
  const total = measureLength(path)
  const a = Math.min(Math.max(fromMm, 0), total)
  const b = Math.min(Math.max(toMm, a), total)
  if (a <= 0 && b >= total) return path
  const start = locate(path, a)
  const end = locate(path, b)
  if (b - a <= SAME_POINT_MM) {
    const p = pointAt(path[start.index]!, start.t)
    return [line(p, p)]
  }
  const parts: Segment[] = []
  for (let i = start.index; i <= end.index; i++) {
    const t0 = i === start.index ? start.t : 0
    const t1 = i === end.index ? end.t : 1
    if (t1 - t0 > SAME_PARAMETER) parts.push(cutSegment(path[i]!, t0, t1))
  }
  return parts
}
