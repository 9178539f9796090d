import { measureLength } from '../../geometry'
import { type Garment, type Piece, shapeOf, findPiece, edgePath, surplusOf } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { holdMeasure, holdGrain } from '../shared/held'
import type { HeldPromise } from '../types'

/** The piece is that size, edge by edge, and its seams with what was cut alike match as they do there. */
export function heldByPieceSize(before: Garment, after: Garment, cut: readonly Piece[], sizeId: string, now: string): HeldPromise[] {
  const name = before.sizes.find((s) => s.id === sizeId)!.name
  const edges = cut.flatMap((piece) => {
    const [there, is] = [shapeOf(piece, sizeId), shapeOf(findPiece(after, piece.id)!, now)]
    const lengths = piece.edges.map((e) =>
      holdMeasure(
        `${e.name}, as in size ${name}`,
        piece.name,
        measureLength(edgePath(there, e.id)),
        measureLength(edgePath(is, e.id)),
        EQUAL_MM,
      ),
    )
    return [...lengths, holdGrain(piece, there, is)]
  })
  const ids = cut.map((p) => p.id)
  const inside = before.seams.filter((s) => s.sides.flat().every((r) => ids.includes(r.pieceId)))
  return [
    ...inside.map((seam) =>
      holdMeasure(
        `${seam.name}, difference of its sides as in size ${name}`,
        'garment',
        surplusOf(before, seam, sizeId),
        surplusOf(after, seam, now),
        EQUAL_MM,
      ),
    ),
    ...edges,
  ]
}
