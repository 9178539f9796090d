import { findPiece, shapeOf, type Garment } from '../pattern'
import type { ZonePart } from './find-zones'
import { levelOverSeam } from './level-over-seam'
import { levelOfCorner, lineLevel } from './levels'
import { narrowestPlace } from './narrowest-place'

/**
 * Grain coordinate of a zone on one piece in a size, mm, or null for a zone measured along edges.
 * @param shiftMm how far a person has moved the band
 */
export function zoneLevel(garment: Garment, part: ZonePart, sizeId: string, shiftMm = 0): number | null {
  const piece = findPiece(garment, part.pieceId)!
  const shape = shapeOf(piece, sizeId)
  if (part.by === 'edges') return null
  if (part.by === 'seam') {
    const beside = zoneLevel(garment, part.of, sizeId)
    const met = beside === null ? null : levelOverSeam(garment, part.seamId, part.pieceId, beside, sizeId)
    return met === null ? null : met + shiftMm
  }
  const at =
    part.by === 'line'
      ? addTo(lineLevel(shape, part.lineId), part.belowMm)
      : part.by === 'narrowest'
        ? narrowestPlace(piece, shape)
        : addTo(levelOfCorner(piece, shape, part.cornerId), part.belowMm)
  return at === null ? null : at + shiftMm
}

const addTo = (a: number | null, b: number): number | null => (a === null ? null : a + b)
