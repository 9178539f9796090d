import { spend } from '../budget'
import { SAME_PARAMETER, SAME_POINT_MM } from '../tolerances'
import { measureSegment } from './measure-length'
import { derivativeAt, pointAt, tangentAt } from './segment'
import type { Path, PathPlace, Segment } from './types'
import { norm } from './vector'

/**
 * The parameter of a segment at which a length has been walked. Newton on the length integral, kept inside a
 * shrinking bracket; the length reached is within 1e-6 mm of the one asked.
 */
export function parameterAtLength(s: Segment, lengthMm: number): number {
  const total = measureSegment(s)
  if (lengthMm <= 0 || total === 0) return 0
  if (lengthMm >= total) return 1
  if (s.kind === 'line') return lengthMm / total
  let low = 0
  let high = 1
  let t = lengthMm / total
  for (let i = 0; i < 60; i++) {
    const off = measureSegment(s, 0, t) - lengthMm
    if (Math.abs(off) <= SAME_POINT_MM || high - low <= SAME_PARAMETER) break
    if (off > 0) high = t
    else low = t
    const next = t - off / Math.max(norm(derivativeAt(s, t)), SAME_POINT_MM)
    t = next > low && next < high ? next : (low + high) / 2
  }
  return t
}

/** Which segment of a path a length falls on, the parameter there, and what lies before it, mm. Lengths beyond the ends take the ends. */
export function locate(path: Path, lengthMm: number): { index: number; t: number; beforeMm: number } {
  spend(path.length)
  let rest = lengthMm
  for (let index = 0; index < path.length; index++) {
    const own = measureSegment(path[index]!)
    if (rest <= own || index === path.length - 1) return { index, t: parameterAtLength(path[index]!, rest), beforeMm: lengthMm - rest }
    rest -= own
  }
  return { index: 0, t: 0, beforeMm: 0 }
}

/**
 * Point and unit direction of travel at a length along a path, mm from its start.
 * @example placeAt(path, measureLength(path) / 2).point // the middle, as a tape measure finds it
 */
export function placeAt(path: Path, lengthMm: number): PathPlace {
  const { index, t, beforeMm } = locate(path, lengthMm)
  const s = path[index]!
  const within = Math.min(lengthMm - beforeMm, measureSegment(s))
  return { lengthMm: Math.max(beforeMm + within, 0), point: pointAt(s, t), tangent: tangentAt(s, t) }
}
