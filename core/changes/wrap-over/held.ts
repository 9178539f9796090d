import type { Garment } from '../../pattern'
import { type WrapPiece, coverOf, wrapPlaces } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdTheRest } from '../shared/held'
import type { HeldPromise } from '../types'
import type { WrapOverInputs } from './schema'

/** The front reaches as far beyond the centre, and its edge lies as far beside the bust point, as was asked; the rest stays. */
export function heldByWrap(before: Garment, after: Garment, wrap: WrapPiece, inputs: WrapOverInputs, sizeId: string): HeldPromise[] {
  const { neckline, lower } = wrap
  const { piece } = bothShapes(before, after, neckline.piece.id, sizeId)
  const cover = coverOf(after, wrap, sizeId)
  const redrawn = [neckline.runs[0]!, neckline.centre, lower].map((r) => ({ pieceId: piece.id, edgeId: r.edgeId }))
  return [
    holdMeasure('reaches beyond the centre by', piece.name, inputs.overlapMm, wrapPlaces(after, wrap, sizeId).overlapMm, LENGTH_KEPT_MM),
    ...(cover === null ? [] : [holdMeasure('edge beside the bust point by', piece.name, inputs.coverMm, cover, LENGTH_KEPT_MM)]),
    ...holdTheRest(before, after, redrawn, sizeId),
  ]
}
