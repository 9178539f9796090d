import { findPiece, type Garment, type RunEdge } from '../../pattern'
import { mostOf } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import { middleOf, wentOutMm } from './middle'
import type { AcrossWidthInputs } from './schema'

/** Each armhole has gone out by half of what was asked, across the cloth; shoulders, sides and all other edges stay, and the ease of the caps. */
export function heldByWidth(
  before: Garment,
  after: Garment,
  halves: readonly RunEdge[][],
  { half, amountMm }: AcrossWidthInputs,
  sizeId: string,
): HeldPromise[] {
  const out = halves.map((runs) => {
    const { pieceId } = middleOf(before, runs, sizeId)
    const by = wentOutMm(before, after, runs, sizeId)
    return holdMeasure(`${half} armhole, its middle out by`, findPiece(before, pieceId)!.name, amountMm / 2, by, LENGTH_KEPT_MM)
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
