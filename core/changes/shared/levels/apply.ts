import type { Garment } from '../../../pattern'
import { ok, refuse, type Result } from '../../../result'
import { limitToken } from '../../../units'
import { findBrokenOutline } from '../../check-outlines'
import { findLargestInSizes } from '../../find-largest'
import type { Applied, ChangeContext } from '../../types'
import { cautionsOf, evenedCautions } from './cautions'
import { heldAtLevels } from './held'
import { moveGarment } from './move-garment'
import type { LevelsInputs } from './schema'

/**
 * Lengthens or shortens a garment at lines square to the grain (craft 6.1).
 * Refuses: a piece or mark that has gone, a line that misses its piece, an amount that would cross or use up an outline
 * (with the largest amount that works).
 */
export function applyAtLevels(garment: Garment, inputs: LevelsInputs, context: ChangeContext): Result<Applied<LevelsInputs>> {
  const moved = moveGarment(garment, inputs, context.sizeId)
  if (!moved.ok) return moved
  const broken = findBrokenOutline(garment, moved.value.garment)
  if (broken) {
    const largest = findLargestInSizes(garment, inputs.amountMm, (one, amountMm) => {
      const tried = moveGarment(one, { ...inputs, amountMm }, one.baseSizeId)
      return tried.ok && findBrokenOutline(one, tried.value.garment) === null
    })
    const way = inputs.amountMm < 0 ? 'shortened' : 'lengthened'
    return refuse(
      'amount-too-large',
      broken.where,
      `${broken.what} by this amount.`,
      `Here it can be ${way} by ${limitToken(Math.abs(largest))} at most; move the line, or share the amount between lines.`,
      largest,
    )
  }
  const { garment: after, levels, touched, leftOut, evened } = moved.value
  return ok({
    garment: after,
    touched,
    leftOut,
    held: heldAtLevels(garment, after, levels, evened, context.sizeId),
    cautions: [...cautionsOf(garment, after, inputs, levels, leftOut, context), ...evenedCautions(after, evened)],
  })
}
