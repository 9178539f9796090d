import { dot, measureLength, placeAt, subtract, type Point } from '../../geometry'
import { findPiece, frameOf, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { closeDartsIn, joinRuns, mostOf } from '../../seams'
import { holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { AcrossWidthInputs } from './schema'

/** The middle of an armhole goes square to its own run there, which slants a little: across it is by this part less at the most. */
const SLANT_PART = 0.1

/** The middle of half an armhole on the piece that has most of it, and across the cloth there, away from the body. */
export function middleOf(garment: Garment, half: readonly RunEdge[], sizeId: string): { at: Point; out: Point; pieceId: string } {
  const runs = mostOf(garment, half, sizeId)
  const { pieceId } = runs[0]!
  const piece = findPiece(garment, pieceId)!
  const open = shapeOf(piece, sizeId)
  const path = joinRuns(closeDartsIn(piece, open, runs, 'first').shape, runs)
  const { point, tangent } = placeAt(path, measureLength(path) / 2)
  // Outlines run clockwise: outside lies on the left of one that is walked with them.
  const outside = runs[0]!.reversed ? { x: -tangent.y, y: tangent.x } : { x: tangent.y, y: -tangent.x }
  const { across } = frameOf(piece, open)
  return { at: point, out: dot(across, outside) < 0 ? { x: -across.x, y: -across.y } : across, pieceId }
}

/** Each armhole has gone out by about what was asked, across the cloth; shoulders, sides and all other edges stay, and the ease of the caps. */
export function heldByWidth(
  before: Garment,
  after: Garment,
  halves: readonly RunEdge[][],
  { half, amountMm }: AcrossWidthInputs,
  sizeId: string,
): HeldPromise[] {
  const out = halves.map((runs) => {
    const was = middleOf(before, runs, sizeId)
    const by = dot(subtract(middleOf(after, runs, sizeId).at, was.at), was.out)
    return holdMeasure(
      `${half} armhole, its middle out by`,
      findPiece(before, was.pieceId)!.name,
      amountMm / 2,
      by,
      Math.abs(amountMm / 2) * SLANT_PART,
    )
  })
  return [
    ...out,
    ...holdTheRest(
      before,
      after,
      halves.flatMap((runs) => mostOf(before, runs, sizeId)),
      sizeId,
    ),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...heldByPairs(before, after, sizeId),
  ]
}
