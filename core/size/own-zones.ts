import { cornersOf, findPiece, shapeOf, type EdgeRole, type Garment } from '../pattern'
import { levelOfCorner, type Zone, type ZonePart } from './find-zones'
import type { OwnZone, Sizing } from './schema'

/** Zones that a person added, on the pieces that are still there. */
export function ownZones(garment: Garment, own: Sizing['ownZones']): Zone[] {
  return own.flatMap((zone): Zone[] => {
    const parts = zone.parts
      .filter((p) => findPiece(garment, p.pieceId)?.corners.some((c) => c.id === p.cornerId))
      .map((p): ZonePart => ({ by: 'corner', ...p }))
    return parts.length > 0 ? [{ id: zone.id, name: zone.name, measureId: zone.measureId, limb: zone.limb, parts }] : []
  })
}

/**
 * A zone of one's own on some pieces, to begin with: at a level below the highest corner of each piece's long edges.
 * @param belowMm how far below that corner
 */
export function newZone(
  garment: Garment,
  id: string,
  name: string,
  measureId: string | null,
  pieceIds: readonly string[],
  belowMm: number,
): OwnZone | null {
  const parts = pieceIds.flatMap((pieceId) => {
    const piece = findPiece(garment, pieceId)
    if (!piece) return []
    const shape = shapeOf(piece, garment.baseSizeId)
    const long = piece.edges.filter((e) => LONG.includes(e.role))
    const corners = (long.length > 0 ? long : piece.edges).flatMap((e) => Object.values(cornersOf(piece, e.id)))
    const level = (c: { id: string }) => levelOfCorner(piece, shape, c.id)!
    const highest = corners.reduce((a, b) => (level(b) < level(a) ? b : a))
    return [{ pieceId, cornerId: highest.id, belowMm }]
  })
  if (parts.length === 0) return null
  const limb = parts.every((p) => ['sleeve', 'leg-front', 'leg-back'].includes(findPiece(garment, p.pieceId)!.kind))
  return { id, name, measureId, limb, parts }
}

/** Edges that run down the body or a limb: a level is measured from their upper corner. */
const LONG: EdgeRole[] = ['side', 'outseam', 'inseam', 'underarm', 'panel']
