import {
  add,
  applyAffine,
  distance,
  dot,
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
import { dartFigures, edgePath, grainDirection, type Dart, type NotchPlace, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'
import { displacePath } from '../moves/displace/displace-path'
import { middleLine } from './find-apex'
import { drawLegsTo } from './finish-dart'

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
  // At a corner of the piece there is no one edge along which it could go.
  if (d.before.role !== d.after.role) return null
  // The part above it is kept, the one below it led on, whichever way the outline runs.
  const level = (edgeId: string) =>
    dot(placeAt(edgePath(shape, edgeId), measureLength(edgePath(shape, edgeId)) / 2).point, grainDirection(shape))
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
  const atMm = placeOnRay(closed, raised, unit(subtract(isDown ? d.first : d.second, apex)))
  if (atMm === null || atMm <= SAME_POINT_MM || atMm >= total - SAME_POINT_MM) return null
  const first = cutPath(closed, 0, atMm)
  const open = turnAbout(raised, angle)
  const opened = mapPath(cutPath(closed, atMm, total), (p) => applyAffine(open, p))
  const corner = after[after.length - 1]!.to
  const second = leadTo(opened, corner, after)
  const drawn = (path: Path) => (isDown ? path : reversePath(path))
  const moved: Shape = {
    ...shape,
    edges: { ...shape.edges, [upper.id]: drawn(first), [lower.id]: drawn(second) },
    notches: movedNotches(piece, shape, [upper.id, measureLength(first)], [lower.id, measureLength(second)], isDown),
    points,
  }
  return drawLegsTo(piece, moved, dart, add(d.tip, up))
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
