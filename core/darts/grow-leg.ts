import { measureLength, subtract, unit } from '../geometry'
import { dartFigures, edgePath, type Dart, type NotchPlace, type Piece, type Shape } from '../pattern'
import { EQUAL_MM, WINDOW_AMOUNTS, WINDOW_MIN_MM } from '../tolerances'
import { redrawAcross } from '../moves/displace/redraw-across'

/**
 * One leg of a dart made longer or shorter: its end on the edge moves along the leg and the edge beside it follows
 * smoothly; tip, angle and the other leg stay.
 *
 * @param growMm shorter when negative
 */
export function growLeg(piece: Piece, shape: Shape, dart: Dart, leg: 'first' | 'second', growMm: number): Shape {
  const d = dartFigures(piece, shape, dart)
  const outward = unit(subtract(leg === 'first' ? d.first : d.second, d.tip))
  const legId = dart.legs[leg === 'first' ? 0 : 1]
  const edge = leg === 'first' ? d.before : d.after
  const path = edgePath(shape, edge.id)
  const total = measureLength(path)
  const legMm = measureLength(edgePath(shape, legId))
  const window = Math.min(total, Math.max(WINDOW_MIN_MM, 2 * WINDOW_AMOUNTS * Math.abs(growMm)))
  // The end at the leg goes all the way, the far end not at all, and between them the edge follows smoothly.
  const atEnd = { atMm: total, stepMm: growMm, beforeMm: window, afterMm: 0 }
  const atStart = { atMm: 0, stepMm: -growMm, beforeMm: 0, afterMm: window }
  const edges = {
    ...shape.edges,
    [edge.id]: leg === 'first' ? redrawAcross(path, outward, 0, [atEnd]) : redrawAcross(path, outward, growMm, [atStart]),
    [legId]:
      leg === 'first'
        ? redrawAcross(edgePath(shape, legId), outward, growMm, [{ atMm: 0, stepMm: -growMm, beforeMm: 0, afterMm: legMm }])
        : redrawAcross(edgePath(shape, legId), outward, 0, [{ atMm: legMm, stepMm: growMm, beforeMm: legMm, afterMm: 0 }]),
  }
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const notch of piece.notches) {
    if (notch.edgeId !== edge.id) continue
    const place = notches[notch.id]!
    const fromStart = place.from === 'start' ? place.distanceMm : total - place.distanceMm
    // From the end that did not move.
    notches[notch.id] = leg === 'first' ? { from: 'start', distanceMm: fromStart } : { from: 'end', distanceMm: total - fromStart }
  }
  return { ...shape, edges, notches }
}

/** Both legs of a dart made as long as its longer one (craft 6.11, finish). */
export function equaliseLegs(piece: Piece, shape: Shape, dart: Dart): Shape {
  const d = dartFigures(piece, shape, dart)
  const off = d.firstMm - d.secondMm
  if (Math.abs(off) <= EQUAL_MM / 2) return shape
  return growLeg(piece, shape, dart, off < 0 ? 'first' : 'second', Math.abs(off))
}
