import { add, boundsOf, cross, mapPath, subtract, type Point } from '../geometry'
import { mirrorIn } from '../moves'
import { beforeOpening, edgePath, findPiece, otherHalf, shapeOf, type Garment, type Piece } from '../pattern'
import { sideOfPart, type Side } from '../seams'
import type { Handle } from './pictures'
import { middleOf } from './shared/one-side'
import type { Applied, ChangeContext, ChangeKind } from './types'

function mirrored(handle: Handle, pieceId: string, [from, to]: [Point, Point]): Handle {
  const mirror = mirrorIn(from, to)
  const at = mirror(handle.at)
  const { line, track } = handle
  return {
    ...handle,
    pieceId,
    at,
    axis: subtract(mirror(add(handle.at, handle.axis)), at),
    ...(line ? { line: { from: mirror(line.from), to: mirror(line.to) } } : {}),
    ...(track ? { track: mapPath(track, mirror) } : {}),
  }
}

/** On which half of a piece that was on the fold a place lies. */
function sideOfPlace(piece: Piece, at: Point, sizeId: string): Side | null {
  const [from, to] = middleOf(piece, sizeId)
  const own = piece.edges.filter((e) => beforeOpening(e.id) === e.id)
  const box = boundsOf(own.flatMap((e) => [...edgePath(shapeOf(piece, sizeId), e.id)]))
  const way = subtract(to, from)
  const isOwn =
    cross(way, subtract(at, from)) * cross(way, subtract({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }, from)) >= 0
  return sideOfPart(piece, isOwn ? own[0]!.id : otherHalf(own[0]!.id))
}

/** A handle on the half of its piece, or on the one of a pair, that lies on a side of the body. */
function onSide(handle: Handle, garment: Garment, side: Side, sizeId: string): Handle {
  const piece = findPiece(garment, handle.pieceId)
  if (!piece) return handle
  const own = beforeOpening(piece.id)
  const twin = findPiece(garment, piece.id === own ? otherHalf(own) : own)
  if (twin) {
    const { grain } = shapeOf(piece, sizeId)
    return sideOfPart(piece, piece.edges[0]!.id) === side ? handle : mirrored(handle, twin.id, [grain.from, grain.to])
  }
  const at = piece.edges.some((e) => beforeOpening(e.id) !== e.id) ? sideOfPlace(piece, handle.at, sizeId) : null
  return at === null || at === side ? handle : mirrored(handle, piece.id, middleOf(piece, sizeId))
}

/** The handles of a stop, on the side of the body that it is done on. */
export function handlesOf(kind: ChangeKind<unknown>, before: Garment, inputs: unknown, applied: Applied, context: ChangeContext): Handle[] {
  const side = kind.sideOf?.(inputs) ?? 'both'
  const { alike, garment } = applied
  if (side === 'both' || !alike) return kind.handles(before, inputs, applied, context)
  return kind.handles(before, inputs, { ...applied, garment: alike }, context).map((h) => onSide(h, garment, side, context.sizeId))
}
