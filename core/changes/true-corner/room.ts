import { measureLength } from '../../geometry'
import type { WalkedCorner } from '../../match'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'

/** The shortest of the edges that run through a corner, in any size: no reach can be longer. */
export function roomFor(garment: Garment, corner: WalkedCorner): number {
  const lengths = corner.arms.flatMap((arm) =>
    garment.sizes.map((s) => measureLength(edgePath(shapeOf(findPiece(garment, arm.pieceId)!, s.id), arm.edgeId))),
  )
  return Math.min(...lengths)
}
