import { findPiece } from '../../pattern'
import { findArmholes, HALVES, underarmEnd, runLength, armholesWithSleeve } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { capStep } from '../shared/cap-step'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { LowerArmholeInputs } from './schema'

/** Mark the new underarm, draw the armhole to it, walk the cap. */
export function lowerPaperSteps({ before, inputs, applied, context, ruler }: StepInput<LowerArmholeInputs>): PaperStep[] {
  const { sizeId } = context
  const [armhole] = findArmholes(before)
  if (!armhole) return []
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const steps = HALVES.map((half): PaperStep => {
    const { piece } = underarmEnd(before, armhole[half])
    const [was, is] = [runLength(before, armhole[half], sizeId), runLength(applied.garment, armhole[half], sizeId)]
    return {
      text: `${findPiece(before, piece.id)!.name}: mark ${figure(inputs.amountMm)} ${inputs.amountMm >= 0 ? 'down' : 'up'} the side seam from the underarm, on the seam line. Redraw the armhole smoothly to the mark, from above its notch, meeting the side as it did. It measures ${figure(is)} (was ${figure(was)}).`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    }
  })
  const cap =
    inputs.cap === 'left' && armholesWithSleeve(before).ok
      ? 'The cap stays as it is: its ease is another now.'
      : capStep(before, applied.garment, sizeId, ruler)
  return [...steps, { text: cap, drawing: null }]
}
