import { measureLength, mix, type Point } from '../../geometry'
import { alongGrain, crossPoints, findApex, outwardOf, placeOnRay } from '../../moves'
import {
  dartFigures,
  edgePath,
  findPiece,
  grainDirection,
  outlineOf,
  shapeOf,
  type Dart,
  type Edge,
  type Garment,
  type Piece,
  type Seam,
  type Shape,
} from '../../pattern'

/** How a front gets its shape over the bust. */
export type FrontKind =
  | { how: 'side-dart'; piece: Piece; dart: Dart }
  | { how: 'other-dart'; piece: Piece; dart: Dart }
  | { how: 'no-dart'; piece: Piece }
  | { how: 'panels'; piece: Piece; seam: Seam; edge: Edge; other: Piece; otherEdge: Edge }

/** A dart that begins at one of these points at the bust; one from the waist is left where it is. */
const BUST_DARTS = ['armhole', 'shoulder', 'neck', 'centre-front']

/** How a piece is shaped over the bust, or null when it is no front with an armhole. */
export function frontKind(garment: Garment, piece: Piece): FrontKind | null {
  if (piece.kind !== 'front') return null
  const shape = shapeOf(piece, garment.baseSizeId)
  const role = (dart: Dart) => dartFigures(piece, shape, dart).before.role
  const side = piece.darts.find((d) => role(d) === 'side')
  const hasCentre = piece.edges.some((e) => e.fold || e.role === 'centre-front')
  const hasArmhole = hasCentre && piece.edges.some((e) => e.role === 'armhole')
  if (side && hasArmhole) return { how: 'side-dart', piece, dart: side }
  const other = piece.darts.find((d) => BUST_DARTS.includes(role(d)))
  if (other && hasArmhole) return { how: 'other-dart', piece, dart: other }
  for (const edge of piece.edges.filter((e) => e.role === 'panel'))
    for (const seam of garment.seams) {
      const k = seam.sides.findIndex((side) => side.some((r) => r.pieceId === piece.id && r.edgeId === edge.id))
      const partner = k < 0 ? undefined : seam.sides[k === 0 ? 1 : 0]![0]
      const other = partner && partner.pieceId !== piece.id ? findPiece(garment, partner.pieceId) : undefined
      const otherEdge = other?.edges.find((e) => e.id === partner!.edgeId)
      if (other && otherEdge && piece.edges.some((e) => e.fold || e.role === 'centre-front'))
        return { how: 'panels', piece, seam, edge, other, otherEdge }
    }
  return hasArmhole && piece.edges.some((e) => e.role === 'side') ? { how: 'no-dart', piece } : null
}

/** The fronts of a garment whose bust can be changed. */
export const frontsOf = (garment: Garment): FrontKind[] => garment.pieces.flatMap((p) => frontKind(garment, p) ?? [])

/** Part of the way from the centre to the side at which an unmarked apex is assumed. */
const APEX_ACROSS = 0.42
/** Part of the armhole's depth below the underarm at which it is assumed, where no bust line is drawn. */
const APEX_BELOW_MM = 45

/** The apex of a front in a size: marked, found by its dart, or assumed on its bust line. */
export function apexOfFront(front: FrontKind, sizeId: string): { point: Point; assumed: boolean } {
  const { piece } = front
  const shape = shapeOf(piece, sizeId)
  if (front.how === 'side-dart' || front.how === 'other-dart') return { point: findApex(piece, shape, front.dart).point, assumed: false }
  const marked = piece.points.find((p) => p.role === 'apex')
  if (marked) return { point: shape.points[marked.id]!, assumed: false }
  return { point: assumedApex(piece, shape), assumed: true }
}

function assumedApex(piece: Piece, shape: Shape): Point {
  const grain = grainDirection(shape)
  const line = piece.lines.find((l) => l.role === 'bust')
  const side = piece.edges.find((e) => e.role === 'side' || e.role === 'panel')!
  const top = edgePath(shape, side.id)
  const upper = alongGrain(top[0]!.from, grain) < alongGrain(top[top.length - 1]!.to, grain) ? top[0]!.from : top[top.length - 1]!.to
  const level = line ? alongGrain(shape.lines[line.id]![0]!.from, grain) : alongGrain(upper, grain) + APEX_BELOW_MM
  const xs = crossPoints(outlineOf(piece, shape), grain, level).sort((a, b) => a.x - b.x)
  const [left, right] = [xs[0]!, xs[xs.length - 1]!]
  const centre = mix(left, right, 0.5)
  const outward = outwardOf(piece, shape, centre)
  return outward.x >= 0 ? mix(left, right, APEX_ACROSS) : mix(right, left, APEX_ACROSS)
}

/** A new dart begins at least this far below the armhole, mm: clear of its seam, as one would draw it. */
const BELOW_ARMHOLE_MM = 60

/**
 * Where a dart can be made on the side of a front without one: straight across from the apex, or slanting up to it where
 * that would come too near to the armhole; null where it meets no side.
 */
export function sidePlace(piece: Piece, shape: Shape, apex: Point): { edgeId: string; atMm: number } | null {
  const ray = outwardOf(piece, shape, apex)
  for (const edge of piece.edges.filter((e) => e.role === 'side')) {
    const atMm = placeOnRay(edgePath(shape, edge.id), apex, ray)
    if (atMm === null) continue
    const path = edgePath(shape, edge.id)
    const total = measureLength(path)
    const down = alongGrain(path[path.length - 1]!.to, grainDirection(shape)) > alongGrain(path[0]!.from, grainDirection(shape))
    const below = Math.min(total / 2, Math.max(BELOW_ARMHOLE_MM, down ? atMm : total - atMm))
    return { edgeId: edge.id, atMm: down ? below : total - below }
  }
  return null
}
