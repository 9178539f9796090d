import { boundsOf, cross, subtract, type Point } from '../../geometry'
import { mirrorIn } from '../../moves'
import { beforeOpening, edgePath, findPiece, otherHalf, shapeOf, type Garment, type Piece } from '../../pattern'
import { sideOfPart, type Side } from '../../seams'

/** Is a part on the half that was drawn? */
export const isOwn = (id: string): boolean => beforeOpening(id) === id

/** Where the middle of a piece that was on the fold begins and ends: its half as drawn runs from there round to there. */
export function middleOf(piece: Piece, sizeId: string): [Point, Point] {
  const shape = shapeOf(piece, sizeId)
  const startOf = (i: number): Point => edgePath(shape, piece.edges[i]!.id)[0]!.from
  return [startOf(0), startOf(piece.edges.filter((e) => isOwn(e.id)).length)]
}

/** On which side of the body a place on a piece that was on the fold lies. */
function sideOfPlace(piece: Piece, at: Point, sizeId: string): Side | null {
  const [from, to] = middleOf(piece, sizeId)
  const own = piece.edges.filter((e) => isOwn(e.id))
  const box = boundsOf(own.flatMap((e) => [...edgePath(shapeOf(piece, sizeId), e.id)]))
  const way = subtract(to, from)
  const onHalf =
    cross(way, subtract(at, from)) * cross(way, subtract({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }, from)) >= 0
  return sideOfPart(piece, onHalf ? own[0]!.id : otherHalf(own[0]!.id))
}

/**
 * Where a place on a piece that was opened out lies on a side of the body: on which piece, and how it gets there; null where it lies there
 * already.
 */
export function mirrorToSide(
  garment: Garment,
  pieceId: string,
  at: Point,
  side: Side,
  sizeId: string,
): { pieceId: string; mirror: (p: Point) => Point } | null {
  const piece = findPiece(garment, pieceId)
  if (!piece) return null
  const own = beforeOpening(piece.id)
  const twin = findPiece(garment, piece.id === own ? otherHalf(own) : own)
  if (twin) {
    const { grain } = shapeOf(piece, sizeId)
    return sideOfPart(piece, piece.edges[0]!.id) === side ? null : { pieceId: twin.id, mirror: mirrorIn(grain.from, grain.to) }
  }
  const lies = piece.edges.some((e) => !isOwn(e.id)) ? sideOfPlace(piece, at, sizeId) : side
  return lies === null || lies === side ? null : { pieceId: piece.id, mirror: mirrorIn(...middleOf(piece, sizeId)) }
}
