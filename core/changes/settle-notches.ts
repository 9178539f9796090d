import { measureLength } from '../geometry'
import { edgePath, type Garment, type NotchPlace, type Piece, type Shape } from '../pattern'
import { EQUAL_MM } from '../tolerances'
import type { Applied, Caution } from './types'

/** The places of a piece's notches in a size, those beyond the end of their edge set to it; the same object when none is. */
function onEdges(piece: Piece, shape: Shape, moved: (notchId: string) => void): Shape {
  const beyond = piece.notches.flatMap((n): [string, NotchPlace][] => {
    const place = shape.notches[n.id]!
    const lengthMm = measureLength(edgePath(shape, n.edgeId))
    if (place.distanceMm <= lengthMm + EQUAL_MM) return []
    moved(n.id)
    return [[n.id, { ...place, distanceMm: lengthMm }]]
  })
  return beyond.length === 0 ? shape : { ...shape, notches: { ...shape.notches, ...Object.fromEntries(beyond) } }
}

/**
 * A notch keeps its distance from the end of its edge that did not move; where a change leaves the edge shorter than that,
 * the notch is set at the edge's other end and a caution names it.
 */
export function settleNotches(before: Garment, applied: Applied): Applied {
  const cautions: Caution[] = []
  const pieces = applied.garment.pieces.map((piece) => {
    if (before.pieces.includes(piece)) return piece
    const moved = new Set<string>()
    const shapes = Object.entries(piece.shapes).map(([id, shape]) => [id, onEdges(piece, shape, (n) => moved.add(n))] as const)
    for (const id of moved)
      cautions.push({
        code: 'notch-at-end',
        pieceId: piece.id,
        message: `${piece.name}: the edge has become shorter than the way to “${piece.notches.find((n) => n.id === id)!.name}”, so it is set at the edge’s end. Look at Match where it meets its partner now.`,
      })
    return moved.size === 0 ? piece : { ...piece, shapes: Object.fromEntries(shapes) }
  })
  if (cautions.length === 0) return applied
  return { ...applied, garment: { ...applied.garment, pieces }, cautions: [...applied.cautions, ...cautions] }
}
