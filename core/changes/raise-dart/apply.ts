import type { Point } from '../../geometry'
import { markApex, raiseDart } from '../../darts'
import { mapShapes, shapeOf, type Garment } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { apexOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { dartCautions } from '../shared/darts/turn-dart'
import type { ChangeContext, Applied } from '../types'
import { heldByRaise, raisedApex } from './held'
import type { RaiseDartInputs } from './schema'

/** The garment with the dart raised in every size, or null where it would leave its edge in one. */
function raised(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, upMm: number): Garment | null {
  if (upMm === 0) return garment
  let fits = true
  const after = mapShapes(markApex(garment, piece.id, apex), piece.id, (p, shape, sizeId) => {
    const up = raiseDart(p, shape, dart, apex(sizeId), upMm)
    if (!up) fits = false
    return up ?? shape
  })
  return fits && findBrokenOutline(garment, after) === null ? after : null
}

/**
 * Slides a dart with its apex along the grain and redraws its edge with the dart closed (craft 6.11).
 * Refuses: a dart that has gone, an amount that would take it off its edge (with the largest that works).
 */
export function applyRaise(garment: Garment, inputs: RaiseDartInputs, context: ChangeContext): Result<Applied<RaiseDartInputs>> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const { piece, dart } = found
  const apex = apexOf(found)
  const after = raised(garment, found, apex, inputs.amountMm)
  if (!after) {
    const largest = findLargest(inputs.amountMm, (mm) => raised(garment, found, apex, mm) !== null)
    return refuse(
      'amount-too-large',
      `${piece.name}, ${dart.name}`,
      'the dart would leave its edge.',
      `It can go ${inputs.amountMm > 0 ? 'up' : 'down'} by ${limitToken(Math.abs(largest))} at most.`,
      largest,
    )
  }
  const at = apex(context.sizeId)
  const up = raisedApex(at, shapeOf(piece, context.sizeId), inputs.amountMm)
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByRaise(garment, after, found, at, inputs.amountMm, context.sizeId),
    folded: { pieceId: piece.id, dartId: dart.id },
    cautions: dartCautions(after, found, dart.id, inputs.amountMm === 0 ? at : up, context.sizeId).filter(
      (c) => c.code !== 'middle-misses',
    ),
  })
}
