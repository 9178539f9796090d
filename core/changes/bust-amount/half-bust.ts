import { findZones, zoneWidth, type FrontKind } from '../../measure'
import type { Garment } from '../../pattern'

/** What these pieces give to the bust, mm, as the worksheet and the ledger measure it; null where they are no part of it. */
export function halfBustMm(garment: Garment, pieceIds: readonly string[], sizeId: string): number | null {
  const parts = findZones(garment)
    .filter((z) => z.id === 'bust')
    .flatMap((z) => z.parts)
    .filter((p) => pieceIds.includes(p.pieceId))
  return parts.length === pieceIds.length ? parts.reduce((sum, p) => sum + zoneWidth(garment, p, sizeId), 0) : null
}

/** The pieces that share what a fuller bust gains: a front, and the panel that is sewn to it over the bust. */
export const bustPieces = (front: FrontKind): string[] => (front.how === 'panels' ? [front.piece.id, front.other.id] : [front.piece.id])
