import { findPiece, otherHalf, type Garment } from '../../pattern'
import { openOut, opensOut } from './open-out'

/** A garment with all those pieces opened out that are so in another: for laying one over the other. */
export function openLike(garment: Garment, other: Garment): Garment {
  return garment.pieces.reduce((own, piece) => {
    const now = findPiece(other, piece.id)
    const opened = opensOut(piece) && (findPiece(other, otherHalf(piece.id)) || (now && !opensOut(now)))
    return opened ? openOut(own, piece.id, ['', '']) : own
  }, garment)
}
