import { shapeOf } from './outline'
import type { Garment, Piece, Shape } from './schema'
/** One piece of a garment drawn anew in every size. */
export function mapShapes(garment: Garment, pieceId: string, draw: (piece: Piece, shape: Shape, sizeId: string) => Shape): Garment {
  return {
    ...garment,
    pieces: garment.pieces.map((piece) =>
      piece.id === pieceId
        ? { ...piece, shapes: Object.fromEntries(garment.sizes.map((s) => [s.id, draw(piece, shapeOf(piece, s.id), s.id)])) }
        : piece,
    ),
  }
}
