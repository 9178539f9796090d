import { findPiece } from '../../pattern'
import { findArmholes, HALVES, underarmEnd, runLength, armholesWithSleeve, measureArmhole } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
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
  const pairs = armholesWithSleeve(before)
  const cap = (): string => {
    if (!pairs.ok) return 'Bind or face the new armhole by its new length.'
    if (inputs.cap === 'left') return 'The cap stays as it is: its ease is another now.'
    const is = measureArmhole(applied.garment, pairs.value[0]!, sizeId)
    return `Redraw the cap so that it measures ${figure(is.cap.front)} in front and ${figure(is.cap.back)} at the back, its ease as before; the sleeve seams keep their lengths.`
  }
  return [...steps, { text: cap(), drawing: null }]
}
