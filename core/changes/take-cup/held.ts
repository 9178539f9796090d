import { measureLength } from '../../geometry'
import { type Garment, findPiece, edgePath, shapeOf, surplusOf } from '../../pattern'
import { SEAM_KEPT_MM, EQUAL_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdGrain } from '../shared/held'
import type { HeldPromise } from '../types'

/** What the pieces of all cups share: their seams match alike, and armhole, shoulder and neckline are the same. */
export function heldByTakeCup(before: Garment, after: Garment, pieceId: string, sizeId: string): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
  const now = findPiece(after, pieceId)!
  return [
    ...before.seams
      .filter((s) => s.sides.flat().some((r) => r.pieceId === pieceId))
      .map((s) =>
        holdMeasure(
          `${s.name}, difference of its sides`,
          piece.name,
          surplusOf(before, s, sizeId),
          surplusOf(after, s, sizeId),
          SEAM_KEPT_MM,
        ),
      ),
    ...piece.edges
      .filter((e) => ['armhole', 'shoulder', 'neck'].includes(e.role) && now.edges.some((o) => o.id === e.id))
      .map((e) =>
        holdMeasure(
          `${e.name}, length`,
          piece.name,
          measureLength(edgePath(was, e.id)),
          measureLength(edgePath(shapeOf(now, sizeId), e.id)),
          SEAM_KEPT_MM,
        ),
      ),
    { ...holdGrain(piece, was, is), allowed: EQUAL_MM },
  ]
}
