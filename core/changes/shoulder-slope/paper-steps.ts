import { findPiece } from '../../pattern'
import { findArmholes, HALVES, runLength } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { tipOf } from './held'
import type { ShoulderSlopeInputs } from './schema'

/** Mark the new shoulder tip, rule the shoulder to it, move the armhole as far. */
export function slopePaperSteps({ before, inputs, applied, context, ruler }: StepInput<ShoulderSlopeInputs>): PaperStep[] {
  const { sizeId } = context
  const [armhole] = findArmholes(before)
  if (!armhole) return []
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const isUp = inputs.amountMm >= 0
  const steps = HALVES.map((half): PaperStep => {
    const pieceId = armhole[half][0]!.pieceId
    const mm = formatLength(runLength(applied.garment, armhole[half], sizeId), ruler)
    const rest =
      inputs.armhole === 'kept'
        ? `trace the whole armhole ${isUp ? 'up' : 'down'} with it, and run the side seam ${isUp ? 'on up' : 'down'} to the new underarm; the armhole measures ${mm} as before`
        : `redraw the armhole from it; it measures ${mm}`
    return {
      text: `${findPiece(before, pieceId)!.name}: mark the outer end of the shoulder ${amount} ${isUp ? 'higher' : 'lower'}, as far from the neck point as before. Rule the shoulder; ${rest}.`,
      drawing: {
        pieceId,
        strokes: [outlineStroke(before, pieceId, sizeId, 'outline'), outlineStroke(applied.garment, pieceId, sizeId, 'result')],
        labels: [{ at: tipOf(applied.garment, armhole[half], sizeId), text: amount }],
      },
    }
  })
  const cap =
    inputs.armhole === 'kept'
      ? 'The sleeve stays as it is. Lay front and back together at the shoulder: neckline and armhole must run on without a corner.'
      : 'Redraw the cap of the sleeve so that it is as much longer than the armhole as before, front and back.'
  return [...steps, { text: cap, drawing: null }]
}
