import { dot, measureLength, nearestPlace, subtract } from '../../geometry'
import { findZones, zoneWidth } from '../../measure'
import { edgePath, findPiece, shapeOf, type Garment, type RunEdge, type Seam } from '../../pattern'
import { type SeamSide, placeOnSeam } from '../../seams'
import { EQUAL_MM, LENGTH_KEPT_MM, SEAM_KEPT_MM } from '../../tolerances'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import { besideEnds } from './places'
import type { SeamStretchInputs } from './schema'

/** How far each side went out where it goes most: from the old place to the new line, with the way that it went; square to the seam. */
function heldDepth(before: Garment, after: Garment, sides: readonly SeamSide[], inputs: SeamStretchInputs, sizeId: string): HeldPromise[] {
  return sides.map((side) => {
    const { pieceId, point, out } = placeOnSeam(before, side, inputs.atMm, sizeId)
    const piece = findPiece(after, pieceId)!
    const went = side
      .filter((r) => r.pieceId === pieceId)
      .map((r) => nearestPlace(edgePath(shapeOf(piece, sizeId), r.edgeId), point))
      .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
    const wentMm = Math.sign(dot(subtract(went.point, point), out)) * went.distanceMm
    return holdMeasure('how far the edge goes out', piece.name, inputs.amountMm, wentMm, SEAM_KEPT_MM)
  })
}

/** Where a crotch goes along with its point, the upper end of an inseam, its leg stays as wide at the hip as it was. */
function heldHips(before: Garment, after: Garment, sides: readonly SeamSide[], sizeId: string): HeldPromise[] {
  const isInseam = ({ pieceId, edgeId }: RunEdge) => findPiece(before, pieceId)!.edges.find((e) => e.id === edgeId)!.role === 'inseam'
  if (!sides.flat().every(isInseam)) return []
  const legs = besideEnds(before, sides).flatMap(({ pieceId, edgeId }) => {
    const piece = findPiece(before, pieceId)!
    const [was, is] = [before, after].map((g) => measureLength(edgePath(shapeOf(findPiece(g, pieceId)!, sizeId), edgeId)))
    const wentAlong = piece.edges.find((e) => e.id === edgeId)!.role === 'crotch' && Math.abs(is! - was!) > EQUAL_MM
    return wentAlong ? [piece] : []
  })
  const parts = findZones(before).find((z) => z.id === 'hip')?.parts ?? []
  return parts.flatMap((part) => {
    const piece = legs.find((p) => p.id === part.pieceId)
    if (!piece) return []
    const [was, is] = [before, after].map((g) => zoneWidth(g, part, sizeId))
    return [holdMeasure('width at the hip', piece.name, was!, is!, LENGTH_KEPT_MM)]
  })
}

/** Edges that the seam does not touch stay as long as they were, and the grain of its pieces where it was. */
function heldRest(before: Garment, after: Garment, sides: readonly SeamSide[], sizeId: string): HeldPromise[] {
  const drawn = [...sides.flat(), ...besideEnds(before, sides)]
  return [...new Set(sides.flat().map((r) => r.pieceId))].flatMap((pieceId) => {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const still = piece.edges.filter((e) => e.role !== 'dart-leg' && !drawn.some((d) => d.pieceId === pieceId && d.edgeId === e.id))
    return [...still.map((e) => holdEdge(piece, was, is, e.id)), holdGrain(piece, was, is)]
  })
}

/**
 * How far each side went, the hip above a crotch point, all that the seam does not touch, and every seam but its own and those that end where it does.
 * @param atEnds seams that end at a corner which may go along: what they differ by is said, and not promised
 */
export const heldByStretch = (
  before: Garment,
  after: Garment,
  sides: readonly SeamSide[],
  atEnds: readonly Seam[],
  inputs: SeamStretchInputs,
  sizeId: string,
): HeldPromise[] => [
  ...heldDepth(before, after, sides, inputs, sizeId),
  ...heldHips(before, after, sides, sizeId),
  ...heldRest(before, after, sides, sizeId),
  ...holdSeams(before, after, sizeId, new Set(atEnds.map((seam) => seam.id))),
]
