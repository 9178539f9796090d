import { dot, measureLength, mix, placeAt, rotateAbout, scale, subtract, turnRad, type Point, placeOnRay } from '../../geometry'
import { angleFrom, moveDart } from '../../darts'
import {
  dartIn,
  dartFigures,
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Edge,
  type Garment,
  type Piece,
  type Shape,
} from '../../pattern'
import { clearPlace } from '../shared/darts/turn-dart'
import { apexOf, openEdges, slitAt, type FoundDart } from '../shared/darts/find-darts'
import type { StraightenDartInputs } from './schema'
import { DEG } from '../../units'

/** A cut on the side that swings leaves the middle line straight but for rounding; on the other side it is off by the dart's angle, deg. */
const SWINGS_DEG = 0.5

/** The cross-grain from the apex toward the side of a piece; on a whole piece the nearer one. */
export function towardSide(piece: Piece, shape: Shape, apex: Point): Point {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const reaches = piece.edges.flatMap((e) => {
    if (e.role !== 'side') return []
    const path = edgePath(shape, e.id)
    return [dot(subtract(mix(path[0]!.from, path[path.length - 1]!.to, 0.5), apex), across)]
  })
  const nearest = reaches.sort((a, b) => Math.abs(a) - Math.abs(b))[0] ?? 0
  return nearest < 0 ? scale(across, -1) : across
}

/** Where a ray from the apex leaves the piece, on a side seam if it meets one. */
function leaves(piece: Piece, shape: Shape, apex: Point, ray: Point): { edge: Edge; atMm: number } | null {
  const hits = openEdges(piece).flatMap((edge) => {
    const atMm = placeOnRay(edgePath(shape, edge.id), apex, ray)
    return atMm === null ? [] : [{ edge, atMm }]
  })
  return hits.find((h) => h.edge.role === 'side') ?? hits[0] ?? null
}

/** How far a dart's middle line lies off the cross-grain, deg. */
export function offCrossGrainDeg(garment: Garment, pieceId: string, dartId: string, sizeId: string, apex: Point): number {
  const piece = findPiece(garment, pieceId)!
  const shape = shapeOf(piece, sizeId)
  const d = dartFigures(piece, shape, dartIn(piece, dartId))
  const [a, b] = [subtract(d.first, apex), subtract(d.second, apex)]
  const halving = rotateAbout(a, { x: 0, y: 0 }, turnRad(a, b) / 2)
  return turnRad(towardSide(piece, shape, apex), halving) * DEG
}

/**
 * Where the new cut begins so that the straightened dart's middle line lies on the cross-grain (craft 6.11): a ray half the
 * dart's angle off it, on the side that swings; or by the ruler, half the old intake from the cross-grain along the edge.
 * Where that cut or the cross-grain runs into another edge than the side (the armhole), the dart goes lower: as high on the side as
 * its seam leaves room for.
 *
 * @returns the place, and the edge that the line would have run into; null for a piece without a side under that edge
 */
export function straightPlace(
  garment: Garment,
  found: FoundDart,
  inputs: StraightenDartInputs,
  sizeId: string,
): { edge: Edge; atMm: number; into: Edge | null } | null {
  const { piece, dart } = found
  const shape = shapeOf(piece, sizeId)
  const apex = apexOf(found)(sizeId)
  const across = towardSide(piece, shape, apex)
  const half = angleFrom(apex, shape, dart) / 2
  const hits = [-half, half].flatMap((turn) => leaves(piece, shape, apex, rotateAbout(across, { x: 0, y: 0 }, turn)) ?? [])
  const tried = hits.flatMap((hit) => {
    if (hit.edge.role !== 'side') return []
    const moved = moveDart(garment, {
      pieceId: piece.id,
      dartId: dart.id,
      apexOf: apexOf(found),
      mouthOf: slitAt(garment, piece, hit.edge.id, hit.atMm),
      share: 1,
      trued: false,
    })
    return [{ hit, off: Math.abs(offCrossGrainDeg(moved.garment, piece.id, dart.id, sizeId, apex)) }]
  })
  // Half the angle off on the side that swings it comes out straight; on the other it does not.
  const best = tried.filter((t) => t.off <= SWINGS_DEG).sort((a, b) => a.off - b.off)[0]?.hit
  const into = best ? null : (hits.find((h) => h.edge.role !== 'side')?.edge ?? leaves(piece, shape, apex, across)?.edge ?? null)
  const place = best ?? highestOnSide(piece, shape)
  if (!place) return null
  const path = edgePath(shape, place.edge.id)
  const down = dot(subtract(placeAt(path, measureLength(path)).point, path[0]!.from), grainDirection(shape)) >= 0 ? 1 : -1
  let { atMm } = place
  const level = placeOnRay(path, apex, across)
  if (inputs.way === 'ruler' && level !== null) {
    // From where the cross-grain meets the edge, half the old intake toward the side that swings.
    const way = Math.sign(atMm - level) || 1
    atMm = level + (way * dartFigures(piece, shape, dart).intakeMm) / 2
  }
  return { edge: place.edge, atMm: Math.min(measureLength(path), Math.max(0, atMm + down * inputs.lowerMm)), into }
}

/** The highest place on a side seam at which a dart is clear of the armhole above it. */
function highestOnSide(piece: Piece, shape: Shape): { edge: Edge; atMm: number } | null {
  for (const edge of piece.edges.filter((e) => e.role === 'side')) {
    const atMm = clearPlace(piece, shape, edge)
    if (atMm !== null) return { edge, atMm }
  }
  return null
}
