import { measureLength } from '../geometry'
import { edgePath, familyOf, findPiece, isBody, shapeOf, type EdgeRole, type Garment, type Piece, type PieceFamily } from '../pattern'
import type { ChosenSize } from './choose-size'
import { ZONE_FACTS, type ZoneId } from '../measure'

/** A piece with the sizes it is traced in, and why. */
export interface TraceRow {
  pieceId: string
  name: string
  /** From the top down; one when the whole piece is one size. */
  sizes: { zone: ZoneId; zoneName: string; sizeId: string; beyond: number; sizeName: string }[]
  /** What it follows, in words. */
  follows: string
}

/** A printed size, and how many steps beyond the range lie between it and the body. */
type Size = Pick<ChosenSize, 'sizeId' | 'beyond'>

/** Which zones a kind of piece reaches over, from the top down; pieces without their own follow another (craft 4). */
const REACHES: Record<PieceFamily, ZoneId[]> = {
  bodice: ['bust', 'waist', 'hip'],
  sleeve: ['bust'],
  skirt: ['waist', 'hip'],
  leg: ['waist', 'hip', 'thigh'],
  band: ['bust'],
  other: ['bust', 'waist', 'hip'],
}

/** What a dependent takes its size from, by the edge of its partner that it is sewn along. */
const BY_PARTNER: Partial<Record<EdgeRole, { zones: ZoneId[]; follows: string }>> = {
  neck: { zones: ['bust'], follows: 'follows the neckline' },
  shoulder: { zones: ['bust'], follows: 'follows the shoulder' },
  armhole: { zones: ['bust'], follows: 'follows the armhole' },
  waist: { zones: ['waist'], follows: 'follows the waist' },
  hem: { zones: ['hip'], follows: 'follows the hem' },
  'leg-opening': { zones: ['hip'], follows: 'follows the leg opening' },
  'centre-front': { zones: ['bust', 'waist', 'hip'], follows: 'follows the whole length of the centre front' },
  'centre-back': { zones: ['bust', 'waist', 'hip'], follows: 'follows the whole length of the centre back' },
}

/** The zones a piece of the body reaches over; one that is sewn to a skirt at the waist ends there. */
function reached(piece: Piece): ZoneId[] {
  const isBodice = familyOf(piece) === 'bodice'
  return REACHES[familyOf(piece)].filter((zone) => !(isBodice && zone === 'hip' && piece.edges.some((e) => e.role === 'waist')))
}

/** A chosen size in words: the printed one, and the steps beyond it. */
export function sizeWords(garment: Garment, { sizeId, beyond }: Size): string {
  const name = garment.sizes.find((s) => s.id === sizeId)?.name ?? sizeId
  return beyond === 0 ? name : `${name} ${beyond > 0 ? '+' : '−'}${Math.abs(beyond)}`
}

/**
 * What a piece that is none of the body's own follows: a sleeve the upper bodice, a cuff its sleeve, a band or a placket the
 * edge that most of it is sewn to. null for one that is sewn to nothing of the body.
 */
function followed(garment: Garment, piece: Piece): { zones: ZoneId[]; follows: string } | null {
  if (piece.kind === 'sleeve') return { zones: ['bust'], follows: 'follows the upper bodice' }
  const partners = garment.seams.flatMap((seam) =>
    seam.sides.flatMap((side, i) =>
      side.some((r) => r.pieceId === piece.id)
        ? seam.sides[1 - i]!.flatMap((run) => {
            const partner = findPiece(garment, run.pieceId)!
            const edge = partner.edges.find((e) => e.id === run.edgeId)!
            const by = partner.kind === 'sleeve' ? { zones: ['bust' as const], follows: 'follows the sleeve' } : BY_PARTNER[edge.role]
            const counts = by && (partner.kind === 'sleeve' || isBody(partner))
            return counts ? [{ by, mm: measureLength(edgePath(shapeOf(partner, garment.baseSizeId), edge.id)) }] : []
          })
        : [],
    ),
  )
  if (partners.length === 0) return null
  return partners.reduce((a, b) => (b.mm > a.mm ? b : a)).by
}

/**
 * Every piece with the sizes to trace it in: body pieces by the zones that they reach over, dependents by what they are
 * sewn to. Where a piece takes several, the largest is traced for the paper's sake and the others drawn in.
 *
 * @param chosen size by zone; zones without one take the nearest above them that has
 */
export function listToTrace(garment: Garment, chosen: Partial<Record<ZoneId, Size>>): TraceRow[] {
  const anywhere = chosen.bust ?? chosen.waist ?? chosen.hip ?? { sizeId: garment.baseSizeId, beyond: 0 }
  const entry = (zone: ZoneId, { sizeId, beyond }: Size) => ({
    zone,
    zoneName: ZONE_FACTS[zone].name,
    sizeId,
    beyond,
    sizeName: sizeWords(garment, { sizeId, beyond }),
  })
  return garment.pieces.map((piece): TraceRow => {
    const own = isBody(piece) ? null : followed(garment, piece)
    const zones = own?.zones ?? reached(piece)
    const sizes = zones.flatMap((zone) => {
      const size = chosen[zone]
      return size ? [entry(zone, size)] : []
    })
    const needed = sizes.length > 0 ? sizes : [entry(zones[0]!, anywhere)]
    return { pieceId: piece.id, name: piece.name, sizes: withoutRepeats(needed), follows: own?.follows ?? 'its own zones' }
  })
}

/** One entry for zones that follow each other in the same size. */
function withoutRepeats(sizes: TraceRow['sizes']): TraceRow['sizes'] {
  return sizes.filter((s, i) => i === 0 || s.sizeId !== sizes[i - 1]!.sizeId || s.beyond !== sizes[i - 1]!.beyond)
}
