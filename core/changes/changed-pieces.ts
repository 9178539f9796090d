import { findPiece, type Garment, type Piece } from '../pattern'

/**
 * The pieces whose outline a change altered in a size, partners too, in the order of the garment; a piece that it made counts.
 */
export function changedPieces(before: Garment, after: Garment, sizeId: string): Piece[] {
  return after.pieces.filter((piece) => {
    const was = findPiece(before, piece.id)
    if (was === piece) return false
    const [old, now] = [was?.shapes[sizeId], piece.shapes[sizeId]]
    // Shapes are data: drawn alike, they are written alike.
    return !old || !now || JSON.stringify(old.edges) !== JSON.stringify(now.edges)
  })
}
