import { findPiece, shapeOf, type Garment, type Piece, type PieceKind, type Seam, surplusOf } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { SEAM_GOOD_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByPieceSize } from './held'
import type { PieceSizeInputs } from './schema'

const UPPER: PieceKind[] = ['front', 'back']
const LOWER: PieceKind[] = ['skirt-front', 'skirt-back', 'leg-front', 'leg-back']

/** Body above and below a waist seam are often cut in two sizes: the seam between them parts what follows from what does not. */
const parts = (a: Piece, b: Piece) =>
  (UPPER.includes(a.kind) && LOWER.includes(b.kind)) || (LOWER.includes(a.kind) && UPPER.includes(b.kind))

/** Every piece that is sewn to one, directly or over others, on its side of a waist seam; the piece itself first. */
export function sewnTo(garment: Garment, pieceId: string): Piece[] {
  const found = [findPiece(garment, pieceId)!]
  for (const piece of found)
    for (const seam of garment.seams) {
      const pieces = [...new Set(seam.sides.flat().map((r) => r.pieceId))].map((id) => findPiece(garment, id)!)
      if (pieces.includes(piece)) found.push(...pieces.filter((p) => !found.includes(p) && !parts(piece, p)))
    }
  return found
}

/**
 * Cuts a piece, and what is sewn to it, in another printed size (a base size of its own): the outline of that size takes the
 * place of the base size's; the printed sizes themselves stay.
 * Refuses: a piece or size that has gone.
 */
export function applyPieceSize(garment: Garment, inputs: PieceSizeInputs, context: ChangeContext): Result<Applied<PieceSizeInputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  const size = garment.sizes.find((s) => s.id === inputs.sizeId)
  if (!piece || !size)
    return refuse(
      'reference-gone',
      piece ? piece.name : 'piece',
      `the ${piece ? 'size' : 'piece'} this was made for has gone.`,
      'Choose it again.',
    )
  const all = sewnTo(garment, piece.id)
  const cut = all.filter((p) => !inputs.leftOut.includes(p.id))
  const base = garment.baseSizeId
  const after: Garment = {
    ...garment,
    pieces: garment.pieces.map((p) =>
      cut.includes(p) && size.id !== base ? { ...p, shapes: { ...p.shapes, [base]: shapeOf(p, size.id) } } : p,
    ),
  }
  return ok({
    garment: after,
    touched: cut.map((p) => ({ pieceId: p.id, how: p === piece ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: all
      .filter((p) => !cut.includes(p))
      .map((p) => ({ pieceId: p.id, seamName: garment.seams.find((s) => s.sides.flat().some((r) => r.pieceId === p.id))?.name ?? '' })),
    held: heldByPieceSize(garment, after, cut, size.id, context.sizeId),
    cautions: seamCautions(garment, after, cut),
  })
}

/** Seams with pieces that stay in another size, by how much their difference has grown. */
function seamCautions(before: Garment, after: Garment, cut: readonly Piece[]): Caution[] {
  const ids = cut.map((p) => p.id)
  const off = (garment: Garment, seam: Seam) => {
    const surplus = surplusOf(garment, seam, garment.baseSizeId)
    return Math.max(0, surplus - seam.wantedEase.maxMm, seam.wantedEase.minMm - surplus)
  }
  return before.seams.flatMap((seam): Caution[] => {
    const inCut = seam.sides.flat().map((r) => ids.includes(r.pieceId))
    const by = off(after, seam)
    if (inCut.every(Boolean) || !inCut.some(Boolean) || by - off(before, seam) <= SEAM_GOOD_MM) return []
    return [
      {
        code: 'sizes-differ',
        message: `${seam.name}: its two sides are cut in different sizes now, and differ by ${lengthToken(by)}. Blend the sizes toward this seam, or cut both sides in one size.`,
      },
    ]
  })
}
