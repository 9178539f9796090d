import { add, cutPath, findRoot, line, measureLength, reversePath, scale, subtract, tangentAt, type Path, type Point } from '../geometry'
import { displaceAlong, fading } from '../moves'
import { dartFigures, edgePath, type Dart, type NotchPlace, type Piece, type Shape } from '../pattern'
import { EQUAL_MM, LENGTH_FOUND_MM } from '../tolerances'
import { equaliseLegs } from './grow-leg'

/** An edge beside a dart keeps at least this, mm. */
const LEAST_EDGE_MM = 10
/** A leg end goes along its edge by at most so many times the amount: an edge that slants to the dart takes more than a half of it. */
const MOST_TIMES = 2
/** So much of it can be given up at the most. */
const NEARLY_CLOSED = 0.98

/** An edge that ends so much before its end, or runs straight on beyond it. */
function endedAt(path: Path, byMm: number): Path {
  if (byMm >= 0) return cutPath(path, 0, measureLength(path) - byMm)
  const last = path[path.length - 1]!
  const to = add(last.to, scale(tangentAt(last, 1), -byMm))
  return last.kind === 'line' ? [...path.slice(0, -1), line(last.from, to)] : [...path, line(last.to, to)]
}

/** A leg, walked from the tip, to another end: a straight one stays straight, a curved one goes along more and more. */
const legTo = (leg: Path, to: Point): Path => displaceAlong(leg, fading(subtract(to, leg[leg.length - 1]!.to), measureLength(leg), 0))

/** The ends of both legs so much further along the edges beside them, the legs drawn to them. */
function opened(piece: Piece, shape: Shape, dart: Dart, eachMm: number): Shape {
  const { before, after } = dartFigures(piece, shape, dart)
  const [first, second] = dart.legs
  const edgeBefore = endedAt(edgePath(shape, before.id), eachMm)
  const edgeAfter = reversePath(endedAt(reversePath(edgePath(shape, after.id)), eachMm))
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const notch of piece.notches) {
    const stays = notch.edgeId === before.id ? 'start' : notch.edgeId === after.id ? 'end' : null
    const place = notches[notch.id]
    // From the end that did not move.
    if (stays === null || !place) continue
    const isMm = measureLength(stays === 'start' ? edgeBefore : edgeAfter)
    const fromStill = place.from === stays ? place.distanceMm : isMm + eachMm - place.distanceMm
    notches[notch.id] = { from: stays, distanceMm: fromStill }
  }
  return {
    ...shape,
    notches,
    edges: {
      ...shape.edges,
      [before.id]: edgeBefore,
      [after.id]: edgeAfter,
      [first]: reversePath(legTo(reversePath(edgePath(shape, first)), edgeBefore[edgeBefore.length - 1]!.to)),
      [second]: legTo(edgePath(shape, second), edgeAfter[0]!.from),
    },
  }
}

/**
 * A dart that takes in more or less: its tip stays, the ends of its legs go apart along the edges beside it by as much each, and legs
 * that were alike are made alike (craft 6.11). The edge that it lies in becomes shorter by about the amount.
 *
 * @param byMm how much further the leg ends lie from each other; nearer when negative
 * @returns null where the dart or the edges beside it have not got so much, or a notch would be cut away
 */
export function widenDart(piece: Piece, shape: Shape, dart: Dart, byMm: number): Shape | null {
  const was = dartFigures(piece, shape, dart)
  const areAlike = Math.abs(was.firstMm - was.secondMm) <= EQUAL_MM
  const drawn = (eachMm: number): Shape => {
    const open = opened(piece, shape, dart, eachMm)
    return areAlike ? equaliseLegs(piece, open, dart) : open
  }
  const off = (eachMm: number) => dartFigures(piece, drawn(eachMm), dart).intakeMm - was.intakeMm - byMm
  const roomMm = Math.min(...[was.before, was.after].map((e) => measureLength(edgePath(shape, e.id)))) - LEAST_EDGE_MM
  // Legs that came closer than that would cross.
  const farMm = byMm > 0 ? Math.min(roomMm, MOST_TIMES * byMm) : Math.max(byMm, (-was.intakeMm / 2) * NEARLY_CLOSED)
  if (was.intakeMm + byMm <= EQUAL_MM || (byMm > 0 && farMm <= 0)) return null
  const eachMm = findRoot(off, 0, farMm, LENGTH_FOUND_MM)
  const wide = eachMm === null ? null : drawn(eachMm)
  return wide && piece.notches.every((n) => wide.notches[n.id]!.distanceMm <= measureLength(edgePath(wide, n.edgeId))) ? wide : null
}
