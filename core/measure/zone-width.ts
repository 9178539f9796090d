import { measureLength } from '../geometry'
import { edgePath, findPiece, shapeOf, type Garment } from '../pattern'
import { bustWidth } from './bust-width'
import type { ZonePart } from './find-zones'
import { widthAt } from './width-at'
import { zoneLevel } from './zone-level'

/** What one piece gives to a zone, mm, once: across at its level, or along its edges (darts are no part of an edge). */
export function zoneWidth(garment: Garment, part: ZonePart, sizeId: string, shiftMm = 0): number {
  const piece = findPiece(garment, part.pieceId)!
  const shape = shapeOf(piece, sizeId)
  if (part.by === 'edges') return part.edgeIds.reduce((sum, id) => sum + measureLength(edgePath(shape, id)), 0)
  // A band that was moved is measured across where it lies.
  const bust = 'overApex' in part && part.overApex && shiftMm === 0 ? bustWidth(garment, piece, sizeId) : null
  if (bust !== null) return bust
  const level = zoneLevel(garment, part, sizeId, shiftMm)
  return level === null ? 0 : widthAt(piece, shape, level)
}
