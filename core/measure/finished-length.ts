import { measureLength } from '../geometry'
import { edgePath, familyOf, halfOf, shapeOf, type Garment } from '../pattern'

/** Where a garment's whole length is measured. */
export type LengthPlace = 'centre-front' | 'side' | 'centre-back'

/**
 * Finished length at a place, mm on the seam lines: centre front or back from neckline to hem, side from underarm to
 * hem; bodice and skirt added up, darts closed. 0 where the garment has no such edges.
 */
export function finishedLength(garment: Garment, place: LengthPlace, sizeId: string): number {
  const half = place === 'centre-front' ? 'front' : 'back'
  let total = 0
  for (const piece of garment.pieces) {
    if (halfOf(piece) !== half || familyOf(piece) === 'leg') continue
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
