import {
  add,
  distance,
  dot,
  measureLength,
  mix,
  nearestPlace,
  placeAt,
  scale,
  type Point,
  alongGrain,
  crossLevel,
  crossPoints,
  placeOnRay,
} from '../geometry'
import { findApex, outwardOf } from '../darts'
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
} from '../pattern'

import { middleAcross } from './middle-across'

/** How a front gets its shape over the bust. */
export type FrontKind =
  | { how: 'side-dart'; piece: Piece; dart: Dart }
  | { how: 'other-dart'; piece: Piece; dart: Dart }
  | { how: 'no-dart'; piece: Piece }
  | { how: 'panels'; piece: Piece; seam: Seam; edge: Edge; other: Piece; otherEdge: Edge }

export type Panels = Extract<FrontKind, { how: 'panels' }>

/** A dart that begins at one of these points at the bust; one from the waist is left where it is. */
const BUST_DARTS = ['armhole', 'shoulder', 'neck', 'centre-front']

/** Two darts whose apexes lie nearer to each other point at one, mm. */
const APEXES_APART_MM = 60

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
/** How far below the underarm it is assumed where no bust line is drawn, mm. */
export const APEX_BELOW_MM = 45

/** The apex of a front in a size: marked, found by its dart, or assumed: on its bust line, or as far below the underarm. */
export function apexOfFront(front: FrontKind, sizeId: string): { point: Point; assumed: boolean } {
  const { piece } = front
  const shape = shapeOf(piece, sizeId)
  if (front.how === 'side-dart' || front.how === 'other-dart') return { point: findApex(piece, shape, front.dart).point, assumed: false }
  const marked = piece.points.find((p) => p.role === 'apex')
  if (marked) return { point: shape.points[marked.id]!, assumed: false }
  return { point: front.how === 'panels' ? bustOnSeam(front, sizeId) : assumedApex(piece, shape), assumed: true }
}

/**
 * The apexes that lie between the centre and a side of a front: one of a half front, two of a whole one that has a bust dart on
 * each side; none of a panel, or of a whole front without darts.
 */
export function apexesOf(garment: Garment, piece: Piece, sizeId: string): Point[] {
  if (piece.kind !== 'front') return []
  const front = frontKind(garment, piece)
  if (front) return front.how === 'panels' ? [] : [apexOfFront(front, sizeId).point]
  const shape = shapeOf(piece, sizeId)
  return piece.darts
    .filter((d) => ['side', ...BUST_DARTS].includes(dartFigures(piece, shape, d).before.role))
    .map((d) => findApex(piece, shape, d).point)
    .filter((p, i, all) => all.findIndex((q) => distance(p, q) < APEXES_APART_MM) === i)
}

/** Where the bust is assumed along the grain of a piece with a side seam. */
function bustLevel(piece: Piece, shape: Shape): number {
  const grain = grainDirection(shape)
  const line = piece.lines.find((l) => l.role === 'bust')
  if (line) return alongGrain(shape.lines[line.id]![0]!.from, grain)
  const sides = piece.edges.filter((e) => e.role === 'side').flatMap((e) => edgePath(shape, e.id))
  return Math.min(...sides.flatMap((s) => [alongGrain(s.from, grain), alongGrain(s.to, grain)])) + APEX_BELOW_MM
}

/** Nearer to its upper or lower end no bust is assumed on a piece, mm along the grain. */
const FROM_END_MM = 1

function assumedApex(piece: Piece, shape: Shape): Point {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const outline = outlineOf(piece, shape)
  // A piece cut short above its bust still has paper where the line is sought.
  const levels = outline.flatMap((s) => [alongGrain(s.from, grain), alongGrain(s.to, grain)])
  const level = Math.min(Math.max(bustLevel(piece, shape), Math.min(...levels) + FROM_END_MM), Math.max(...levels) - FROM_END_MM)
  const met = crossPoints(outline, grain, level).sort((a, b) => dot(a, across) - dot(b, across))
  const [first, last] = [met[0] ?? shape.grain.from, met[met.length - 1] ?? shape.grain.from]
  const isAfter = dot(outwardOf(piece, shape, mix(first, last, 0.5)), across) >= 0
  const [side, inner] = isAfter ? [last, first] : [first, last]
  // Of a piece that reaches beyond the middle of the body, or stays short of it, the middle counts.
  const middle = middleAcross(piece, shape, level)
  const centre = middle === null ? inner : add(inner, scale(across, middle - dot(inner, across)))
  return mix(centre, side, APEX_ACROSS)
}

/** How far along the centre panel's edge the bust lies, as a part of it. */
export function bustShare(front: Panels, sizeId: string): number {
  const path = edgePath(shapeOf(front.piece, sizeId), front.edge.id)
  return nearestPlace(path, apexOfFront(front, sizeId).point).lengthMm / measureLength(path)
}

/** Do the two edges of a princess seam run opposite ways in their outlines? */
export function edgesOppose({ seam, edge, otherEdge }: Panels): boolean {
  const reversed = (id: string) => seam.sides.flat().find((r) => r.edgeId === id)!.reversed
  return reversed(edge.id) !== reversed(otherEdge.id)
}

/** The bust on the centre panel's edge: as far along the seam as it lies on the side panel, which has the underarm. */
function bustOnSeam(front: Panels, sizeId: string): Point {
  const { piece, edge, other, otherEdge } = front
  const path = edgePath(shapeOf(piece, sizeId), edge.id)
  const shape = shapeOf(other, sizeId)
  const own = edgePath(shape, otherEdge.id)
  const grain = grainDirection(shape)
  const at = other.edges.some((e) => e.role === 'side') ? crossLevel(own, grain, bustLevel(other, shape))[0]?.atMm : undefined
  const share = at === undefined ? 0.5 : at / measureLength(own)
  return placeAt(path, measureLength(path) * (edgesOppose(front) ? 1 - share : share)).point
}

/** A new dart begins at least this far below the armhole, mm: clear of its seam, as one would draw it. */
const BELOW_ARMHOLE_MM = 60

/**
 * Where a dart can be made on the side of a front without one: straight across from the apex, or slanting up to it where
 * that would come too near to the armhole, or into it; null without a side.
 */
export function sidePlace(piece: Piece, shape: Shape, apex: Point): { edgeId: string; atMm: number } | null {
  const ray = outwardOf(piece, shape, apex)
  const sides = piece.edges.filter((e) => e.role === 'side')
  const across = sides.map((e) => placeOnRay(edgePath(shape, e.id), apex, ray))
  const edge = sides.find((_, i) => across[i] !== null) ?? sides[0]
  if (!edge) return null
  const path = edgePath(shape, edge.id)
  const total = measureLength(path)
  const grain = grainDirection(shape)
  const down = alongGrain(path[path.length - 1]!.to, grain) > alongGrain(path[0]!.from, grain)
  const atMm = across[sides.indexOf(edge)] ?? null
  const below = atMm === null ? 0 : down ? atMm : total - atMm
  const lower = Math.min(total / 2, Math.max(BELOW_ARMHOLE_MM, below))
  return { edgeId: edge.id, atMm: down ? lower : total - lower }
}
