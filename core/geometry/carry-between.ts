import { mapPath } from './transform-path'
import type { Path, Point, Segment } from './types'
import { add, cross, norm, scale, subtract } from './vector'

/** An end of a stretch of line: where it is, and the unit direction in which the line is walked there. */
export interface PathEnd {
  point: Point
  along: Point
}

/** Directions nearer to each other than this, as a sine, meet nowhere that a line could be drawn by: some 6 degrees. */
const LEAST_SINE = 0.1
/** They meet at least so far from both ends, mm: a flatter triangle would throw its places about. */
const LEAST_WAY_MM = 1

/** Where the directions at both ends meet, in front of the first and behind the last; null where they do not. */
function meet([first, last]: readonly [PathEnd, PathEnd]): Point | null {
  const sine = cross(first.along, last.along)
  if (Math.abs(sine) < LEAST_SINE) return null
  const chord = subtract(last.point, first.point)
  const ahead = cross(chord, last.along) / sine
  const behind = cross(first.along, chord) / sine
  return ahead > LEAST_WAY_MM && behind > LEAST_WAY_MM ? add(first.point, scale(first.along, ahead)) : null
}

/**
 * How a stretch of line is drawn between two other ends, in other directions: by the one affine map that carries the triangle of its
 * ends and the place where their directions meet to the new triangle. An affine map bends a line nowhere that it did not bend, so
 * that a curve drawn by a good hand stays one. Fuller or flatter, the same triangle is mapped onto itself by a projective
 * map, which bends nothing anew either: each place (a, b, c) of it, as shares of its corners, goes to (a, f b, c).
 *
 * @param fullness over 1 nearer to where the directions meet, below 1 nearer to the straight line between the ends
 * @returns carries a part of the stretch, its curves exactly for a fullness of 1, and to well below 0.1 mm near it;
 * null where the directions do not meet between the ends, before or after
 */
export function carryBetween(
  was: readonly [PathEnd, PathEnd],
  now: readonly [PathEnd, PathEnd],
  fullness = 1,
): ((path: Path) => Path) | null {
  const [corner, newCorner] = [meet(was), meet(now)]
  if (!corner || !newCorner) return null
  const [first, last] = [was[0].point, was[1].point]
  const area = cross(subtract(corner, last), subtract(first, last))
  /** Shares of the first end and of the meeting place. */
  const sharesOf = (p: Point) => {
    const off = subtract(p, last)
    return { a: cross(subtract(corner, last), off) / area, b: cross(off, subtract(first, last)) / area }
  }
  const [toFirst, toCorner] = [subtract(now[0].point, now[1].point), subtract(newCorner, now[1].point)]
  const placeOf = ({ a, b }: { a: number; b: number }) => {
    const weight = 1 + (fullness - 1) * b
    return add(now[1].point, add(scale(toFirst, a / weight), scale(toCorner, (fullness * b) / weight)))
  }
  if (fullness === 1) return (path) => mapPath(path, (p) => placeOf(sharesOf(p)))
  const weightAt = (p: Point) => 1 + (fullness - 1) * sharesOf(p).b
  const carried = (p: Point) => placeOf(sharesOf(p))
  /** A handle goes as the map's slope at its node carries it. */
  const handle = (node: Point, p: Point) => add(carried(node), scale(subtract(carried(p), carried(node)), weightAt(p) / weightAt(node)))
  const carrySegment = (s: Segment): Segment =>
    s.kind === 'line'
      ? { kind: 'line', from: carried(s.from), to: carried(s.to) }
      : { kind: 'cubic', from: carried(s.from), c1: handle(s.from, s.c1), c2: handle(s.to, s.c2), to: carried(s.to) }
  return (path) => path.map(carrySegment)
}

/**
 * The fullness by which a place of a stretch comes nearer to where the directions at its ends meet.
 *
 * @param nearerMm by so much; away from it when negative
 * @returns null where there is no room for that between the meeting place and the straight line between the ends
 */
export function fullnessFor(ends: readonly [PathEnd, PathEnd], place: Point, nearerMm: number): number | null {
  const corner = meet(ends)
  if (!corner) return null
  const chord = subtract(ends[1].point, ends[0].point)
  /** The place where the line from the meeting place through this one crosses the chord. */
  const ray = subtract(place, corner)
  const reach = cross(subtract(ends[0].point, corner), chord) / cross(ray, chord)
  const whole = reach * norm(ray)
  const share = 1 - 1 / reach
  const wanted = share + nearerMm / whole
  if (!(share > 0 && share < 1 && wanted > LEAST_SHARE && wanted < 1 - LEAST_SHARE)) return null
  return (wanted * (1 - share)) / (share * (1 - wanted))
}

/** A place stays this much, as a share, from the straight line and from the meeting place. */
const LEAST_SHARE = 0.05
