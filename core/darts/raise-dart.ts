import {
  add,
  applyAffine,
  distance,
  dot,
  findRoot,
  mix,
  isStraightPath,
  line,
  mapPath,
  measureLength,
  cutPath,
  placeAt,
  reversePath,
  scale,
  subtract,
  turnAbout,
  unit,
  type Path,
  type Point,
  placeOnRay,
} from '../geometry'
import { dartFigures, edgePath, frameOf, grainDirection, type Dart, type NotchPlace, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'
import { displacePath } from '../moves/displace/displace-path'
import { middleLine } from './find-apex'
import { drawLegsTo, drawTipBack } from './finish-dart'

import { trueJoint } from './close-dart'
import { angleFrom } from './turn-about-apex'

/**
 * Raises or lowers a dart with its apex along the grain (craft 6.11): by hand the box round the dart is cut out, slid, and
 * the edge redrawn with the dart folded closed. The dart keeps its angle and direction; both far corners of its edge stay.
 * Of a dart that runs along the grain (from waist or shoulder) only tip and apex go: it begins where it did, as wide as it was.
 *
 * @param upMm against the grain's direction; lower when negative
 * @returns null where the dart would leave its edge
 */
export function raiseDart(piece: Piece, shape: Shape, dart: Dart, apex: Point, upMm: number): Shape | null {
  const d = dartFigures(piece, shape, dart)
  const up = scale(grainDirection(shape), -upMm)
  const raised = add(apex, up)
  const points = Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, distance(p, apex) <= SAME_POINT_MM ? raised : p]))
  if (runsAlongGrain(piece, shape, dart)) {
    const reach =
      dot(subtract(d.tip, mix(d.first, d.second, 0.5)), middleLine(piece, shape, dart).along) +
      dot(up, middleLine(piece, shape, dart).along)
    return reach > 0 ? drawLegsTo(piece, { ...shape, points }, dart, add(d.tip, up)) : null
  }
  const moved = reopened(piece, { ...shape, points }, dart, apex, raised, (closed, _beganMm, angle, leg) => {
    const atMm = placeOnRay(closed, raised, unit(subtract(leg, apex)))
    return atMm === null ? null : { atMm, angle }
  })
  return moved && drawLegsTo(piece, moved, dart, add(d.tip, up))
}

/** A dart that is turned opens by this part of its angle at least and at most. */
const TURNED_TIMES = { least: 0.5, most: 1.5 }

/**
 * Turns a dart toward an apex that lies further to one side (craft 9: a dart that ends beside the apex is turned): it begins where it
 * did, and its edge is redrawn with the dart folded closed, so that its legs are alike from the new apex. It is as wide there as keeps
 * its edge as long as it was with the dart closed: by hand the shorter leg is let out to the longer one.
 *
 * @param aside from the old apex to the new one, mm
 * @returns null where nothing of the dart would be left, or it begins at a corner of the piece
 */
export function turnDartAside(piece: Piece, shape: Shape, dart: Dart, apex: Point, aside: Point): Shape | null {
  const d = dartFigures(piece, shape, dart)
  const beside = add(apex, aside)
  const points = Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, distance(p, apex) <= SAME_POINT_MM ? beside : p]))
  const backMm = distance(d.tip, apex)
  const ahead = dot(subtract(beside, mix(d.first, d.second, 0.5)), middleLine(piece, shape, dart).along)
  if (ahead <= Math.max(backMm, d.intakeMm / 2)) return null
  const moved = reopened(piece, { ...shape, points }, dart, apex, beside, (closed, atMm, angle, _leg, growsMm) => {
    const wide = Math.sign(angle) * 2 * Math.asin(Math.min(1, d.intakeMm / (2 * distance(placeAt(closed, atMm).point, beside))))
    const times = findRoot((n) => growsMm(atMm, wide * n), TURNED_TIMES.least, TURNED_TIMES.most, SAME_POINT_MM)
    return times === null ? null : { atMm, angle: wide * times }
  })
  return moved && drawTipBack(piece, drawLegsTo(piece, moved, dart, beside), dart, beside, backMm)
}

/**
 * The edge of a dart with the dart closed about one apex and opened again about another; both far corners stay.
 *
 * @param open where along the closed edge it begins, mm, and by how much it is opened, rad; told where it began, by how much it was open,
 *   its leg that is kept, and how much longer the edge would be with the dart closed
 * @returns null where it would leave its edge
 */
function reopened(
  piece: Piece,
  shape: Shape,
  dart: Dart,
  apex: Point,
  to: Point,
  open: (
    closed: Path,
    beganMm: number,
    angle: number,
    leg: Point,
    growsMm: (atMm: number, angle: number) => number,
  ) => { atMm: number; angle: number } | null,
): Shape | null {
  const d = dartFigures(piece, shape, dart)
  // At a corner of the piece there is no one edge along which it could go.
  if (d.before.role !== d.after.role) return null
  // The part above it is kept, or nearer to the centre, and the other led on, whichever way the outline runs.
  const { across, middle } = frameOf(piece, shape)
  const isUpright = runsAlongGrain(piece, shape, dart)
  const level = (edgeId: string) => {
    const at = placeAt(edgePath(shape, edgeId), measureLength(edgePath(shape, edgeId)) / 2).point
    return isUpright ? Math.abs(dot(at, across) - middle) : dot(at, grainDirection(shape))
  }
  const isDown = level(d.before.id) <= level(d.after.id)
  const angle = (isDown ? 1 : -1) * angleFrom(apex, shape, dart)
  const led = (edgeId: string) => (isDown ? edgePath(shape, edgeId) : reversePath(edgePath(shape, edgeId)))
  const [upper, lower] = isDown ? [d.before, d.after] : [d.after, d.before]
  const [before, after] = [led(upper.id), led(lower.id)]
  // The edge as it is with the dart closed: its second part turned onto the first.
  const shut = turnAbout(apex, -angle)
  const joined = trueJoint(
    before,
    mapPath(after, (p) => applyAffine(shut, p)),
  )
  const closed: Path = [...joined[0], ...joined[1]]
  const total = measureLength(closed)
  const beyond = (atMm: number, openAngle: number): Path => {
    const turn = turnAbout(to, openAngle)
    const opened = mapPath(cutPath(closed, atMm, total), (p) => applyAffine(turn, p))
    return leadTo(opened, after[after.length - 1]!.to, after)
  }
  const wasMm = measureLength(before) + measureLength(after)
  const growsMm = (atMm: number, openAngle: number) => atMm + measureLength(beyond(atMm, openAngle)) - wasMm
  const at = open(closed, measureLength(joined[0]), angle, isDown ? d.first : d.second, growsMm)
  if (at === null || at.atMm <= SAME_POINT_MM || at.atMm >= total - SAME_POINT_MM) return null
  const first = cutPath(closed, 0, at.atMm)
  const second = beyond(at.atMm, at.angle)
  const drawn = (path: Path) => (isDown ? path : reversePath(path))
  return {
    ...shape,
    edges: { ...shape.edges, [upper.id]: drawn(first), [lower.id]: drawn(second) },
    notches: movedNotches(piece, shape, [upper.id, measureLength(first)], [lower.id, measureLength(second)], isDown),
  }
}

/** Does a dart point rather along the grain than across it? */
export function runsAlongGrain(piece: Piece, shape: Shape, dart: Dart): boolean {
  return Math.abs(dot(middleLine(piece, shape, dart).along, grainDirection(shape))) > Math.SQRT1_2
}

/** A path led from its start to another end; one that was straight stays straight. */
function leadTo(path: Path, end: Point, was: Path): Path {
  const start = path[0]!.from
  if (isStraightPath(was, STRAIGHT_MM)) return [line(start, end)]
  const last = path[path.length - 1]!.to
  return displacePath(path, unit(subtract(last, start)), { x: 0, y: 0 }, subtract(end, last))
}

/** Notches stay as far from the corners that do not move; one that the dart has passed goes to its end. */
function movedNotches(
  piece: Piece,
  shape: Shape,
  upper: readonly [edgeId: string, lengthMm: number],
  lower: readonly [edgeId: string, lengthMm: number],
  isDown: boolean,
): Shape['notches'] {
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const notch of piece.notches) {
    const own = [upper, lower].findIndex(([edgeId]) => edgeId === notch.edgeId)
    if (own < 0) continue
    const place = notches[notch.id]!
    const from: NotchPlace['from'] = (own === 0) === isDown ? 'start' : 'end'
    const far = place.from === from ? place.distanceMm : measureLength(edgePath(shape, notch.edgeId)) - place.distanceMm
    notches[notch.id] = { from, distanceMm: Math.min([upper, lower][own]![1], far) }
  }
  return notches
}
