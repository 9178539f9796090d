import { countInflections } from '../../geometry'
import { findPiece, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { closeDartsIn, joinRuns, letOutAcross, mostOf, settleCapsInSizes, whyNoArmhole } from '../../seams'
import { limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, ChangeContext } from '../types'
import { heldByWidth } from './held'
import { halvesOf } from './middle'
import type { AcrossWidthInputs } from './schema'

/** Less than this across the whole body is not worth a change, mm. */
const WORTH_MM = 2

/** A line that bends back by less than this does not show it, deg. */
const SEEN_DEG = 2.5

/** How often the part of an armhole that is let out bends the other way. */
function bendsOf(garment: Garment, runs: readonly RunEdge[], sizeId: string): number {
  const own = mostOf(garment, runs, sizeId)
  const piece = findPiece(garment, own[0]!.pieceId)!
  return countInflections(joinRuns(closeDartsIn(piece, shapeOf(piece, sizeId), own, 'first').shape, own), SEEN_DEG)
}

/** Every armhole of that half let out in its middle in every size, and the caps after them. */
function letOut(garment: Garment, inputs: AcrossWidthInputs): Result<{ garment: Garment }> {
  if (inputs.amountMm === 0) return ok({ garment })
  let drawn = garment
  for (const runs of halvesOf(garment, inputs.half))
    for (const { id } of garment.sizes) {
      drawn = letOutAcross(drawn, runs, id, inputs.amountMm / 2)
      if (bendsOf(drawn, runs, id) > bendsOf(garment, runs, id))
        return refuse(
          'amount-too-large',
          findPiece(garment, runs[0]!.pieceId)!.name,
          'its armhole would bend back on itself.',
          'Ask for less.',
        )
    }
  return settleCapsInSizes(garment, drawn)
}

/**
 * Makes the back or the chest broader or narrower between its armholes (craft 6.10: a little added across the back at the middle of the
 * armhole, fading to nothing at both its ends); that half of the cap follows.
 * Refuses: no armhole, an amount by which the armhole would bend back or that a cap cannot follow (with the largest that works).
 */
export function applyAcrossWidth(garment: Garment, inputs: AcrossWidthInputs, context: ChangeContext): Result<Applied<AcrossWidthInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const none = whyNoArmhole(garment)
  if (none) return none
  if (halvesOf(garment, inputs.half).length === 0)
    return refuse('no-half', 'garment', `its armholes have no ${inputs.half} of their own.`, 'Choose the other half.')
  const way = inputs.amountMm < 0 ? 'narrower' : 'broader'
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => letOut(g, { ...inputs, amountMm }),
    (mm) =>
      Math.abs(mm) < WORTH_MM
        ? 'This armhole gives no more across: change the shoulder’s width instead, or the sides.'
        : `Here it can be ${limitToken(Math.abs(mm))} ${way} at most; what is missing comes with the shoulder and from the sides.`,
  )
  if (!done.ok) return done
  const after = done.value.garment
  const halves = halvesOf(garment, inputs.half)
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      halves.map((runs) => mostOf(garment, runs, context.sizeId)[0]!.pieceId),
    ),
    leftOut: [],
    held: heldByWidth(garment, after, halves, inputs, context.sizeId),
    cautions: [],
  })
}
