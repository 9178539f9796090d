import { measureLength } from '../geometry'
import { edgePath, shapeOf, type Garment, type PieceKind } from '../pattern'

/** Where a garment's whole length is measured. */
export type LengthPlace = 'centre-front' | 'side' | 'centre-back'

const FRONTS: PieceKind[] = ['front', 'skirt-front']
const BACKS: PieceKind[] = ['back', 'skirt-back']

/**
 * Finished length at a place, mm on the seam lines: centre front or back from neckline to hem, side from underarm to
 * hem; bodice and skirt added up, darts closed. 0 where the garment has no such edges.
 */
export function finishedLength(garment: Garment, place: LengthPlace, sizeId: string): number {
  const kinds = place === 'centre-front' ? FRONTS : BACKS
  let total = 0
  for (const piece of garment.pieces) {
    if (!kinds.includes(piece.kind)) continue
    for (const edge of piece.edges) {
      const counts = place === 'side' ? edge.role === 'side' : edge.fold || edge.role === place
      if (counts) total += measureLength(edgePath(shapeOf(piece, sizeId), edge.id))
    }
  }
  return total
}

/**
 * How much a hem has to be moved so that the whole length is as wanted: what is wanted less what the garment gives.
 * @example lengthMissing(1420, [410, 700]) // +310
 */
export function lengthMissing(wantedMm: number, givenMm: readonly number[]): number {
  return wantedMm - givenMm.reduce((a, b) => a + b, 0)
}
