import type { Garment, PieceKind } from '../pattern'
import type { ZoneId } from './find-zones'

/** A piece with the sizes it is traced in, and why. */
export interface TraceRow {
  pieceId: string
  name: string
  /** From the top down; one when the whole piece is one size. */
  sizes: { zone: ZoneId; zoneName: string; sizeId: string; sizeName: string }[]
  /** What it follows, in words. */
  follows: string
}

/** Which zones a kind of piece reaches over, from the top down; pieces without their own follow another (craft 4). */
const REACHES: Record<PieceKind, ZoneId[]> = {
  front: ['bust', 'waist', 'hip'],
  back: ['bust', 'waist', 'hip'],
  sleeve: ['bust'],
  'skirt-front': ['waist', 'hip'],
  'skirt-back': ['waist', 'hip'],
  'leg-front': ['waist', 'hip', 'thigh'],
  'leg-back': ['waist', 'hip', 'thigh'],
  band: [],
  other: ['bust', 'waist', 'hip'],
}

const ZONE_WORDS: Record<ZoneId, string> = {
  'high-bust': 'high bust',
  bust: 'bust',
  waist: 'waist',
  hip: 'hip',
  bicep: 'bicep',
  thigh: 'thigh',
  knee: 'knee',
  hem: 'hem',
}

/** The zone that a band is sewn to: the neckline follows the upper bodice, a waistband the waist. */
function bandZone(garment: Garment, pieceId: string): ZoneId {
  const piece = garment.pieces.find((p) => p.id === pieceId)!
  return piece.edges.some((e) => e.role === 'waist') ? 'waist' : 'bust'
}

/**
 * Every piece with the sizes to trace it in: body pieces by the zones that they reach over, dependents by what they are
 * sewn to. Where a piece takes several, the largest is traced for the paper's sake and the others drawn in.
 *
 * @param chosen size id by zone; zones without one take the nearest above them that has
 */
export function listToTrace(garment: Garment, chosen: Partial<Record<ZoneId, string>>): TraceRow[] {
  const nameOf = (sizeId: string) => garment.sizes.find((s) => s.id === sizeId)?.name ?? sizeId
  const anywhere = chosen.bust ?? chosen.waist ?? chosen.hip ?? garment.baseSizeId
  return garment.pieces.map((piece): TraceRow => {
    const zones = piece.kind === 'band' ? [bandZone(garment, piece.id)] : REACHES[piece.kind]
    const sizes = zones.flatMap((zone) => {
      const sizeId = chosen[zone]
      return sizeId ? [{ zone, zoneName: ZONE_WORDS[zone], sizeId, sizeName: nameOf(sizeId) }] : []
    })
    const needed =
      sizes.length > 0 ? sizes : [{ zone: zones[0]!, zoneName: ZONE_WORDS[zones[0]!], sizeId: anywhere, sizeName: nameOf(anywhere) }]
    const follows =
      piece.kind === 'sleeve'
        ? 'follows the upper bodice'
        : piece.kind === 'band'
          ? `follows the ${ZONE_WORDS[zones[0]!]}`
          : 'its own zones'
    return { pieceId: piece.id, name: piece.name, sizes: withoutRepeats(needed), follows }
  })
}

/** One entry for zones that follow each other in the same size. */
function withoutRepeats(sizes: TraceRow['sizes']): TraceRow['sizes'] {
  return sizes.filter((s, i) => i === 0 || s.sizeId !== sizes[i - 1]!.sizeId)
}
