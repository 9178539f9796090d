import { distance, placeAt, scale, type Point } from '../../geometry'
import { outwardOf, placeOnRay } from '../../moves'
import { dartFigures, edgePath, type Edge, type Piece, type Shape } from '../../pattern'

/**
 * Half of the bust, mm: from the centre across to the apex, and from there along the closed dart to the side; without a
 * dart on across the grain.
 */
export function halfBustMm(piece: Piece, shape: Shape, apex: Point, dartId: string | null): number | null {
  const outward = outwardOf(piece, shape, apex)
  const reach = (edge: Edge, ray: Point) => {
    const atMm = placeOnRay(edgePath(shape, edge.id), apex, ray)
    return atMm === null ? [] : [distance(placeAt(edgePath(shape, edge.id), atMm).point, apex)]
  }
  const inner = piece.edges.filter((e) => e.fold || e.role === 'centre-front').flatMap((e) => reach(e, scale(outward, -1)))[0]
  const dart = piece.darts.find((d) => d.id === dartId)
  const d = dart && dartFigures(piece, shape, dart)
  const outer = d
    ? (distance(d.first, apex) + distance(d.second, apex)) / 2
    : piece.edges.filter((e) => e.role === 'side').flatMap((e) => reach(e, outward))[0]
  return inner === undefined || outer === undefined ? null : inner + outer
}
