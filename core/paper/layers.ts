import { openOut } from '../moves'
import { shapeOf, type Garment, type Piece, halfNames } from '../pattern'

/** One layer of a piece as it lies on flat cloth: which it is of how many, in words. */
export interface Layer {
  piece: Piece
  words: string
}

/**
 * A garment with every chosen piece as it is cut from flat cloth: what lies on a fold is opened out, of a pair both halves lie there;
 * and the layers, as many as are cut.
 */
export function layersOf(garment: Garment, chosen: readonly Piece[], sizeId: string): { garment: Garment; layers: Layer[] } {
  let opened = garment
  for (const piece of chosen) opened = openOut(opened, piece.id, halfNames(piece, shapeOf(piece, sizeId)))
  const layers = opened.pieces
    .filter((p) => !garment.pieces.includes(p) || chosen.includes(p))
    .flatMap((piece) =>
      Array.from({ length: piece.cut.count }, (_, i) => ({
        piece,
        words: piece.cut.count > 1 ? `layer ${i + 1} of ${piece.cut.count}` : 'cut 1, cloth flat',
      })),
    )
  return { garment: opened, layers }
}
