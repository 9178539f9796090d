import { dot, placeAt, crossLevel } from '../geometry'

import { findPiece, grainDirection, outlineOf, shapeOf, type Garment } from '../pattern'
import type { ZonePart } from './find-zones'
import { zoneLevel } from './zone-level'

/** The line of a zone across a piece, for drawing: from edge to edge at its level; null for a zone along edges. */
export function zoneLine(garment: Garment, part: ZonePart, sizeId: string, shiftMm = 0) {
  const level = zoneLevel(garment, part, sizeId, shiftMm)
  if (level === null) return null
  const piece = findPiece(garment, part.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const outline = outlineOf(piece, shape)
  const across = { x: grain.y, y: -grain.x }
  const points = crossLevel(outline, grain, level).map((c) => placeAt(outline, c.atMm).point)
  if (points.length < 2) return null
  const sorted = points.sort((a, b) => dot(a, across) - dot(b, across))
  return { from: sorted[0]!, to: sorted[sorted.length - 1]! }
}
