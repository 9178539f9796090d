import { shapeOf, type Garment } from '../../pattern'
import { bandsAlong, isStraightBand, type Neckline, type SewnBand } from '../../seams'
import type { RedrawNecklineInputs } from './schema'

/** Does an edge belong to one of some necklines? */
export const isNeckOf =
  (necklines: readonly Neckline[]) =>
  (run: { pieceId: string; edgeId: string }): boolean =>
    necklines.some((n) => n.runs.some((r) => r.pieceId === run.pieceId && r.edgeId === run.edgeId))

/** Bands that are sewn to some necklines. */
export const bandsOf = (garment: Garment, necklines: readonly Neckline[]): SewnBand[] => bandsAlong(garment, isNeckOf(necklines))

/** Can a band become longer with its edge? */
export const canFollow = ({ piece }: SewnBand, sizeId: string): boolean => isStraightBand(piece, shapeOf(piece, sizeId))

/** Does what is sewn to a neckline by this seam follow it: a straight band, or a facing that is carried? */
export function follows(
  garment: Garment,
  seamId: string,
  necklines: readonly Neckline[],
  inputs: RedrawNecklineInputs,
  sizeId: string,
): boolean {
  const seam = garment.seams.find((s) => s.id === seamId)!
  const band = bandsOf(garment, necklines).find((b) => seam.sides.flat().some((r) => r.pieceId === b.piece.id))
  if (band) return inputs.band === 'follows' && canFollow(band, sizeId)
  return seam.sides.flat().every((r) => necklines.some((n) => n.piece.id === r.pieceId))
}
