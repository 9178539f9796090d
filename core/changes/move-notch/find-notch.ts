import { measureLength } from '../../geometry'
import { edgePath, refOf, shapeOf, type Edge, type Garment, type Notch, type Piece } from '../../pattern'

export interface FoundNotch {
  ref: string
  piece: Piece
  notch: Notch
  edge: Edge
}

/** Every notch of a garment with its piece and edge. */
export function notchesOf(garment: Garment): FoundNotch[] {
  return garment.pieces.flatMap((piece) =>
    piece.notches.map((notch) => ({
      ref: refOf(piece.id, notch.id),
      piece,
      notch,
      edge: piece.edges.find((e) => e.id === notch.edgeId)!,
    })),
  )
}

/** Where a notch lies on its edge in a size: mm from the edge's start, and the edge's length. */
export function notchOnEdge({ piece, notch }: FoundNotch, sizeId: string): { atMm: number; edgeMm: number } {
  const shape = shapeOf(piece, sizeId)
  const edgeMm = measureLength(edgePath(shape, notch.edgeId))
  const place = shape.notches[notch.id]!
  return { atMm: place.from === 'start' ? place.distanceMm : edgeMm - place.distanceMm, edgeMm }
}
