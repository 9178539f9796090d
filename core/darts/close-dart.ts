import {
  cubic,
  cutPath,
  distance,
  isStraightPath,
  line,
  measureLength,
  mix,
  placeAt,
  subtract,
  tangentAt,
  turnRad,
  type Path,
} from '../geometry'
import {
  dartIn,
  edgeFamily,
  edgePath,
  neighbours,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Piece,
  type RunEdge,
  type Shape,
} from '../pattern'
import { EQUAL_MM, PARALLEL_RAD, SMOOTH_DEG, STRAIGHT_MM, WINDOW_JOGS, WINDOW_MIN_MM } from '../tolerances'
import { DEG } from '../units'

/** A window leaves this part of each edge alone. */
const ROOM = 0.9

/**
 * The two edges beside a dart that has been swung closed, drawn smoothly over the place where it was (craft: truing). The
 * window is as long as six times the jog that unequal legs leave, and 25 mm at least; their other ends stay.
 *
 * @param leastMm the least that is drawn anew to each side, mm, where there is so much room
 */
export function trueJoint(before: Path, after: Path, leastMm = WINDOW_MIN_MM): [Path, Path] {
  const [end, start] = [before[before.length - 1]!.to, after[0]!.from]
  const turn = turnRad(tangentAt(before[before.length - 1]!, 1), tangentAt(after[0]!, 0))
  const jogMm = distance(end, start)
  if (jogMm <= EQUAL_MM && Math.abs(turn) * DEG <= SMOOTH_DEG) return [before, startAt(after, end)]
  const [a, b] = [measureLength(before), measureLength(after)]
  const window = Math.min(ROOM * a, ROOM * b, Math.max(leastMm, WINDOW_JOGS * jogMm))
  const from = placeAt(before, a - window)
  const to = placeAt(after, window)
  const reach = distance(from.point, to.point) / 3
  const c1 = { x: from.point.x + from.tangent.x * reach, y: from.point.y + from.tangent.y * reach }
  const c2 = { x: to.point.x - to.tangent.x * reach, y: to.point.y - to.tangent.y * reach }
  const bridge: Path = [cubic(from.point, c1, c2, to.point)]
  const middle = measureLength(bridge) / 2
  return [
    [...cutPath(before, 0, a - window), ...cutPath(bridge, 0, middle)],
    [...cutPath(bridge, middle, 2 * middle), ...cutPath(after, window, b)],
  ]
}

const startAt = (path: Path, at: { x: number; y: number }): Path => [{ ...path[0]!, from: at }, ...path.slice(1)]

/** Two edges as they are, brought together half way where unequal legs left a jog. */
function meetHalfWay(before: Path, after: Path): [Path, Path] {
  const middle = mix(before[before.length - 1]!.to, after[0]!.from, 0.5)
  return [[...before.slice(0, -1), { ...before[before.length - 1]!, to: middle }], startAt(after, middle)]
}

/** How far to each side of an open mouth the edge is drawn anew, mm, where it has so much room. */
const MOUTH_MM = 80

/** Of a short edge at most this part is drawn anew. */
const MOUTH_PART = 0.6

/** Two edges and the open mouth between them as one smooth line: their far parts stay, their ends bend toward each other. */
function bridgeMouth(before: Path, after: Path): [Path, Path] {
  const [a, b] = [measureLength(before), measureLength(after)]
  const window = Math.min(MOUTH_MM, MOUTH_PART * a, MOUTH_PART * b)
  const from = placeAt(before, a - window)
  const to = placeAt(after, window)
  const reach = distance(from.point, to.point) / 3
  const c1 = { x: from.point.x + from.tangent.x * reach, y: from.point.y + from.tangent.y * reach }
  const c2 = { x: to.point.x - to.tangent.x * reach, y: to.point.y - to.tangent.y * reach }
  return [[...cutPath(before, 0, a - window), cubic(from.point, c1, c2, to.point)], cutPath(after, window, b)]
}

const JOINS = { true: trueJoint, meet: meetHalfWay, bridge: bridgeMouth }

/** Two stretches of one edge as one path; a straight edge stays one line. */
function joined(before: Path, after: Path): Path {
  const straight = isStraightPath(before, STRAIGHT_MM) && isStraightPath(after, STRAIGHT_MM)
  const [from, to] = [before[0]!.from, after[after.length - 1]!.to]
  const turn = turnRad(subtract(before[before.length - 1]!.to, from), subtract(to, after[0]!.from))
  return straight && Math.abs(turn) <= PARALLEL_RAD ? [line(from, to)] : [...before, ...after]
}

/**
 * Takes a dart out of a piece, in every size: its legs go, and the parts of its edge become one edge again where one dart
 * had parted them; otherwise they stay two that meet at a corner. Seams and notches follow. A corner of the piece at which
 * the dart began stays a corner.
 *
 * @param join how the edge is drawn where the dart was: smooth over the closed place, as its two parts lie, or smooth
 * across a mouth that is still open
 */
export function closeDart(garment: Garment, pieceId: string, dartId: string, join: keyof typeof JOINS): Garment {
  const piece = garment.pieces.find((p) => p.id === pieceId)!
  const dart = dartIn(piece, dartId)
  const a = neighbours(piece, dart.legs[0]).before
  const b = neighbours(piece, dart.legs[1]).after
  const runsOn = a.role === b.role
  const how = join === 'true' && !runsOn ? 'meet' : join
  const one = a.id !== b.id && edgeFamily(a.id) === edgeFamily(b.id)
  // The edge that was parted has its own name back, whichever way the outline runs over its parts.
  const kept = one && b.id === edgeFamily(b.id) ? b : a
  const gone = new Set([...dart.legs, ...(one ? [kept === a ? b.id : a.id] : [])])
  const keep = piece.edges.map((e) => !dart.legs.includes(e.id) && !(one && e.id === b.id))
  const shapes: Record<string, Shape> = {}
  for (const size of garment.sizes) {
    const shape = shapeOf(piece, size.id)
    const [p, q] = JOINS[how](edgePath(shape, a.id), edgePath(shape, b.id))
    const rest = Object.entries(shape.edges).filter(([id]) => !gone.has(id))
    const edges = { ...Object.fromEntries(rest), ...(one ? { [kept.id]: joined(p, q) } : { [a.id]: p, [b.id]: q }) }
    const notches: Record<string, NotchPlace> = { ...shape.notches }
    for (const notch of piece.notches) {
      const place = notches[notch.id]!
      // From the end that did not move: the far end of its part.
      if (notch.edgeId === a.id) notches[notch.id] = fromStart(place, measureLength(edgePath(shape, a.id)))
      if (notch.edgeId === b.id) notches[notch.id] = fromEnd(place, measureLength(edgePath(shape, b.id)))
    }
    shapes[size.id] = { ...shape, edges, notches }
  }
  const made: Piece = {
    ...piece,
    edges: piece.edges.filter((_, i) => keep[i]).map((e) => (one && e.id === a.id ? kept : e)),
    corners: piece.corners
      .map((c, i) => (runsOn && piece.edges[i]!.id === b.id ? { ...c, name: `where the ${dart.name} was` } : c))
      .filter((_, i) => keep[i]),
    notches: piece.notches.map((n) => (one && gone.has(n.edgeId) ? { ...n, edgeId: kept.id } : n)),
    darts: piece.darts.filter((d) => d.id !== dartId),
    shapes: { ...piece.shapes, ...shapes },
  }
  const corners = new Set(made.corners.map((c) => c.id))
  const stays = (run: RunEdge) => run.pieceId !== pieceId || !gone.has(run.edgeId)
  const known = (mark: Garment['seams'][number]['marks'][number][0]) =>
    mark.pieceId !== pieceId || !('cornerId' in mark) || corners.has(mark.cornerId)
  return {
    ...garment,
    pieces: garment.pieces.map((p) => (p.id === pieceId ? made : p)),
    seams: garment.seams.map((s) => ({
      ...s,
      sides: [s.sides[0].filter(stays), s.sides[1].filter(stays)],
      marks: s.marks.filter(([x, y]) => known(x) && known(y)),
    })),
  }
}

const fromStart = (place: NotchPlace, length: number): NotchPlace =>
  place.from === 'start' ? place : { from: 'start', distanceMm: Math.max(0, length - place.distanceMm) }

const fromEnd = (place: NotchPlace, length: number): NotchPlace =>
  place.from === 'end' ? place : { from: 'end', distanceMm: Math.max(0, length - place.distanceMm) }
