import { placeAt, scale } from '../../geometry'
import { displacePath, sideLength } from '../../moves'
import { edgePath, findPiece, frameOf, neighbours, shapeOf, type Garment, type Seam } from '../../pattern'
import { sideChains } from '../../measure'
import { SEAM_KEPT_MM } from '../../tolerances'

/** Sides of a seam that came out further apart than this are evened at their lower end, mm: half of what may remain. */
const EVEN_MM = SEAM_KEPT_MM / 2

/** How much longer the first side of a seam is than the second in a size, mm. */
export const surplusOf = (garment: Garment, seam: Seam, sizeId: string): number =>
  sideLength(garment, seam, 0, sizeId) - sideLength(garment, seam, 1, sizeId)

/**
 * Side seams whose two sides were redrawn at different slants change their lengths a little differently. The side of the
 * first piece is let down, or taken up, at its lower corner by the difference; the edge beside it follows.
 *
 * @param meant surpluses that a seam may have, mm: the nearest is restored
 */
export function evenSides(after: Garment, sizeId: string, meant: (seam: Seam) => number[]): Garment {
  return after.seams.reduce((garment, seam) => {
    const run = seam.sides[0][seam.sides[0].length - 1]!
    const piece = findPiece(garment, run.pieceId)!
    const chain = sideChains(piece, shapeOf(piece, sizeId)).find((c) => c.edges.some((e) => e.edgeId === run.edgeId))
    if (!chain) return garment
    const is = surplusOf(garment, seam, sizeId)
    const off = meant(seam)
      .map((m) => m - is)
      .reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a))
    if (Math.abs(off) <= EVEN_MM) return garment
    const shape = shapeOf(piece, sizeId)
    const part = chain.edges[chain.edges.length - 1]!
    const path = edgePath(shape, part.edgeId)
    const end = placeAt(path, part.reversed ? 0 : part.lengthMm)
    const along = scale(end.tangent, part.reversed ? -off : off)
    const { down, across } = frameOf(piece, shape)
    const none = { x: 0, y: 0 }
    const { before, after: next } = neighbours(piece, part.edgeId)
    const beside = part.reversed ? before : next
    const edges = {
      ...shape.edges,
      [part.edgeId]: displacePath(path, down, part.reversed ? along : none, part.reversed ? none : along),
      [beside.id]: displacePath(edgePath(shape, beside.id), across, part.reversed ? none : along, part.reversed ? along : none, {
        eased: true,
      }),
    }
    const pieces = garment.pieces.map((p) => (p.id === piece.id ? { ...p, shapes: { ...p.shapes, [sizeId]: { ...shape, edges } } } : p))
    const evened = { ...garment, pieces }
    // A side that cannot be evened so stays as it is: the promise of its seam says by how much it is off.
    return Math.abs(off + is - surplusOf(evened, seam, sizeId)) < Math.abs(off) ? evened : garment
  }, after)
}
