import {
  add,
  applyAffine,
  cross,
  cubic,
  cutPath,
  distance,
  dot,
  isStraightPath,
  line,
  mapPath,
  measureLength,
  measureSegment,
  placeAt,
  scale,
  subtract,
  tangentAt,
  turnDirection,
  turnRad,
  unit,
  weld,
  type Affine,
  type Path,
  type Point,
  type Segment,
} from '../../geometry'
import { HINGE_LENGTH_MM, SAME_POINT_MM, SMOOTH_DEG, STRAIGHT_MM, WINDOW_JOGS, WINDOW_MIN_MM } from '../../tolerances'
import { DEG } from '../../units'

/** A stretch of an edge, mm along it, that is laid down as one: every place in it moves by the same placement. */
export interface Bit {
  fromMm: number
  toMm: number
  move: Affine
}

/** Lengths along a path at which it turned sharply already, its two ends among them. */
function cornersAlong(path: Path): number[] {
  const out = [0]
  let at = 0
  path.forEach((s, i) => {
    const before = path[i - 1]
    if (before && Math.abs(turnRad(tangentAt(before, 1), tangentAt(s, 0))) * DEG > SMOOTH_DEG) out.push(at)
    at += measureSegment(s)
  })
  return [...out, at]
}

/**
 * One edge put together again after its stretches were laid down in different places (cut and swung apart, or traced in
 * turns). Stretches keep their exact shape but for a window where two of them part:
 * where they were cut apart, an edge that was straight is redrawn straight from end to end, a curve runs smoothly over
 * the opening (or through the overlap); where they hang together at a hinge, the bend is rounded, over so little that
 * the edge keeps its length to HINGE_LENGTH_MM. Where traced stretches part a little, the line runs half way between them.
 *
 * @param bits in order, covering the whole edge; a bit of no length at an end means that the neighbouring edge parts there
 * @param ruled whether an edge that was straight is ruled straight again; a traced one keeps its stretches instead
 * @returns null when an overlap leaves no room for a smooth line
 */
export function rejoinEdge(path: Path, bits: readonly Bit[], ruled = true): Path | null {
  const first = bits[0]!
  const last = bits[bits.length - 1]!
  const startPoint = applyAffine(first.move, path[0]!.from)
  const endPoint = applyAffine(last.move, path[path.length - 1]!.to)
  const joins = bits.slice(1).map((b, i) => joinAt(path, bits[i]!, b))
  const parted = joins.some((j) => j.jogMm > SAME_POINT_MM)
  if (parted && ruled && isStraightPath(path, STRAIGHT_MM))
    return distance(startPoint, endPoint) > SAME_POINT_MM ? [line(startPoint, endPoint)] : null
  const corners = cornersAlong(path)
  const hinges = joins.filter((j) => j.jogMm <= SAME_POINT_MM).length
  const out: Segment[] = []
  let reached = 0
  for (const [i, join] of joins.entries()) {
    const room = roomAround(corners, join.atMm, joins[i - 1]?.atMm, joins[i + 1]?.atMm)
    const bridge =
      join.jogMm <= SAME_POINT_MM
        ? roundHinge(path, join, room, HINGE_LENGTH_MM / hinges)
        : ruled
          ? bridgeOver(path, join, room)
          : throughMiddle(path, join, Math.min(WINDOW_MIN_MM, room.beforeMm, room.afterMm))
    if (!bridge) return null
    const moved = stretch(path, reached, join.atMm - bridge.beforeMm, join.before)
    out.push(...moved, ...bridge.path)
    reached = join.atMm + bridge.afterMm
  }
  out.push(...stretch(path, reached, measureLength(path), last.move))
  return weld(out.length > 0 ? out : [line(startPoint, endPoint)])
}

interface Join {
  atMm: number
  before: Affine
  after: Affine
  /** How far the two sides of the join were parted, and how much of that lies aside of the edge. */
  jogMm: number
  asideMm: number
  /** Overlapped: the later stretch lies back over the earlier one. */
  overlap: boolean
}

function joinAt(path: Path, a: Bit, b: Bit): Join {
  const { point, tangent } = placeAt(path, a.toMm)
  const from = applyAffine(a.move, point)
  const to = applyAffine(b.move, point)
  const on = add(turnDirection(a.move, tangent), turnDirection(b.move, tangent))
  const way = subtract(to, from)
  return {
    atMm: a.toMm,
    before: a.move,
    after: b.move,
    jogMm: distance(from, to),
    asideMm: Math.abs(cross(unit(on), way)),
    overlap: dot(way, on) < 0,
  }
}

/** Room to redraw on each side of a place: up to a corner, an end, or half way to the next join. */
function roomAround(corners: readonly number[], atMm: number, joinBefore = -Infinity, joinAfter = Infinity) {
  const low = Math.max(...corners.filter((c) => c <= atMm + SAME_POINT_MM), (joinBefore + atMm) / 2)
  const high = Math.min(...corners.filter((c) => c >= atMm - SAME_POINT_MM), (joinAfter + atMm) / 2)
  const atCorner = corners.some((c) => Math.abs(c - atMm) <= SAME_POINT_MM)
  return { beforeMm: Math.max(0, atMm - low), afterMm: Math.max(0, high - atMm), atCorner }
}

type Room = ReturnType<typeof roomAround>

interface Bridge {
  path: Path
  beforeMm: number
  afterMm: number
}

/** Handles of a bridge, as a part of the way it has to go: a third is what a cubic needs to run like an arc. */
const HANDLE = 1 / 3

function bridge(path: Path, join: Join, beforeMm: number, afterMm: number): Bridge {
  const a = placeAt(path, join.atMm - beforeMm)
  const b = placeAt(path, join.atMm + afterMm)
  const from = applyAffine(join.before, a.point)
  const to = applyAffine(join.after, b.point)
  const handle = distance(from, to) * HANDLE
  const leave = turnDirection(join.before, a.tangent)
  const arrive = turnDirection(join.after, b.tangent)
  // With nothing to run on from at an end of the edge, the bridge leaves straight for the other side.
  const c1 = beforeMm > SAME_POINT_MM ? add(from, scale(leave, handle)) : partWay(from, to, HANDLE)
  const c2 = afterMm > SAME_POINT_MM ? subtract(to, scale(arrive, handle)) : partWay(to, from, HANDLE)
  return { path: [cubic(from, c1, c2, to)], beforeMm, afterMm }
}

const partWay = (a: Point, b: Point, part: number): Point => add(a, scale(subtract(b, a), part))

/** Window to each side of an overlap, in overlaps: the line then gets on at over half its pace. */
const OVERLAPS = 3

/** A smooth line over an opening or through an overlap; null when the overlap has used up its room. */
function bridgeOver(path: Path, join: Join, room: Room): Bridge | null {
  const wanted = Math.max(WINDOW_MIN_MM, join.jogMm * (join.overlap ? OVERLAPS : 1), join.asideMm * WINDOW_JOGS)
  const beforeMm = Math.min(wanted, room.beforeMm)
  const afterMm = Math.min(wanted, room.afterMm)
  // Twice the overlap must be left to run through it without turning back.
  if (join.overlap && beforeMm + afterMm < 2 * join.jogMm) return null
  return bridge(path, join, beforeMm, afterMm)
}

/** How far a rounded hinge may stand off the two stretches that it joins, mm: half a pencil line. */
const HINGE_OFF_MM = 0.2

/** A cubic that leaves a straight line at one end by an angle t stands off it by 4/27 t of its length. */
const OFF_PART = 4 / 27

/**
 * A bend at a hinge, rounded: through the hinge itself, which stays where it is, in the direction half way between the
 * two stretches, over so little to each side that it stands off by no more than half a pencil line and that the length
 * is kept. Nothing is done where there was a corner, or where it hardly bends.
 */
function roundHinge(path: Path, join: Join, room: Room, allowedMm: number): Bridge {
  const at = placeAt(path, join.atMm)
  const into = turnDirection(join.before, at.tangent)
  const bend = turnRad(into, turnDirection(join.after, at.tangent))
  const none: Bridge = { path: [], beforeMm: 0, afterMm: 0 }
  if (Math.abs(bend) * DEG <= SMOOTH_DEG || room.atCorner) return none
  let reach = Math.min(WINDOW_MIN_MM, room.beforeMm, room.afterMm, HINGE_OFF_MM / (OFF_PART * Math.abs(bend / 2)))
  while (reach > SAME_POINT_MM) {
    const tried = throughMiddle(path, join, reach)
    if (Math.abs(measureLength(tried.path) - 2 * reach) <= allowedMm) return tried
    reach /= 2
  }
  return none
}

/** A smooth line from one stretch to the next through the point half way between their ends, in the direction half way. */
function throughMiddle(path: Path, join: Join, reach: number): Bridge {
  const at = placeAt(path, join.atMm)
  const middle = partWay(applyAffine(join.before, at.point), applyAffine(join.after, at.point), 1 / 2)
  const through = unit(add(turnDirection(join.before, at.tangent), turnDirection(join.after, at.tangent)))
  const half = (away: number, move: Affine): Segment => {
    const end = placeAt(path, join.atMm + away)
    const far = applyAffine(move, end.point)
    const handle = distance(far, middle) * HANDLE
    const onward = turnDirection(move, end.tangent)
    return away < 0
      ? cubic(far, add(far, scale(onward, handle)), subtract(middle, scale(through, handle)), middle)
      : cubic(middle, add(middle, scale(through, handle)), subtract(far, scale(onward, handle)), far)
  }
  return { path: [half(-reach, join.before), half(reach, join.after)], beforeMm: reach, afterMm: reach }
}

function stretch(path: Path, fromMm: number, toMm: number, move: Affine): Path {
  if (toMm - fromMm <= SAME_POINT_MM) return []
  return mapPath(cutPath(path, fromMm, toMm), (p) => applyAffine(move, p))
}
