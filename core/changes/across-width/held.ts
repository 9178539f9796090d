import { dot, subtract } from '../../geometry'
import { findPiece, type Garment, type RunEdge } from '../../pattern'
import { mostOf } from '../../seams'
import { holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import { middleOf } from './middle'
import type { AcrossWidthInputs } from './schema'

/** The middle of an armhole goes square to its own run there, which slants a little: across it is by this part less at the most. */
const SLANT_PART = 0.1

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
