import { z } from 'zod'
import { cornersOf, findPiece, Id, nameOfUpTo, shapeOf, type EdgeRole, type Garment } from '../pattern'
import type { Zone, ZonePart } from './find-zones'
import { levelOfCorner } from './levels'

/** Farther from its corner no zone lies, mm. */
const FARTHEST_MM = 5000

/** A zone of one's own: a level on some pieces, measured from a corner of each. */
export const OwnZoneSchema = z.strictObject({
  id: Id,
  name: nameOfUpTo(60),
  /** The body measure it is compared with. */
  measureId: Id.nullable(),
  /** Round one limb: a pair of pieces goes round two. */
  limb: z.boolean(),
  parts: z
    .array(z.strictObject({ pieceId: Id, cornerId: Id, belowMm: z.number().finite().min(-FARTHEST_MM).max(FARTHEST_MM) }))
    .min(1)
    .max(50),
})
export type OwnZone = z.infer<typeof OwnZoneSchema>

/** Zones that a person added, on the pieces that are still there. */
export function ownZones(garment: Garment, own: readonly OwnZone[]): Zone[] {
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
