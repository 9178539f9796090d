import { levelOfCorner, lineLevel } from '../../measure'
import { cornersBetween, findPiece, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import type { LengthRow } from '../../size'
import type { Level } from '../shared/levels/schema'
import type { LengthenInputs } from './schema'

/** The first corner between two roles with its level along the grain, or null. */
function cornerLevel(piece: Piece, sizeId: string, a: EdgeRole, b: EdgeRole): { id: string; at: number } | null {
  const [id] = cornersBetween(piece, [a], [b])
  return id === undefined ? null : { id, at: levelOfCorner(piece, shapeOf(piece, sizeId), id)! }
}

/** Where a length is put in or taken out: at the printed line between its two places, else half way below the upper one. */
function levelFor(garment: Garment, row: LengthRow): Level | null {
  const piece = findPiece(garment, row.pieceId)!
  const shape = shapeOf(piece, garment.baseSizeId)
  const tops: Record<LengthRow['from'], { id: string; at: number } | null> = {
    neck: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    shoulder: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    underarm: cornerLevel(piece, garment.baseSizeId, 'armhole', 'side'),
    waist: cornerLevel(piece, garment.baseSizeId, 'waist', 'side') ?? cornerLevel(piece, garment.baseSizeId, 'waist', 'outseam'),
  }
  const top = tops[row.from]
  const bottom = row.toLevelMm
  const line = piece.lines.find((l) => {
    const at = l.role === 'shorten' ? lineLevel(shape, l.id) : null
    return at !== null && (!top || at > top.at) && at < bottom
  })
  if (line) return { id: 'line-1', share: 1, mark: { by: 'line', id: line.id }, belowMm: 0 }
  const waist = row.from === 'waist' && !top ? piece.lines.find((l) => l.role === 'waist') : undefined
  if (waist) return { id: 'line-1', share: 1, mark: { by: 'line', id: waist.id }, belowMm: (bottom - lineLevel(shape, waist.id)!) / 2 }
  if (!top) return null
  return { id: 'line-1', share: 1, mark: { by: 'corner', id: top.id }, belowMm: (bottom - top.at) / 2 }
}

/** A length that ends above the hem, put in or taken out at one line. */
export function lengthAtLine(garment: Garment, row: LengthRow): LengthenInputs | null {
  const level = row.to === 'hem' ? null : levelFor(garment, row)
  // Back and front are lengthened alike; what one of them alone misses, and how deep the armhole lies, are changes of their own.
  const isAlike = row.from !== 'shoulder' && row.from !== 'underarm'
  return level && isAlike && row.missingMm !== null ? { amountMm: row.missingMm, pieceId: row.pieceId, levels: [level], leftOut: [] } : null
}
