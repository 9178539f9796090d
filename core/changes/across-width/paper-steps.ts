import { findPiece } from '../../pattern'
import { findArmholes, runLength } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { capStep } from '../shared/cap-step'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { halvesOf, middleOf } from './middle'
import type { AcrossWidthInputs } from './schema'

/** A mark at the middle of the armhole, the armhole drawn through it, the cap walked. */
export function acrossWidthPaperSteps({ before, inputs, applied, context, ruler }: StepInput<AcrossWidthInputs>): PaperStep[] {
  const { sizeId } = context
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const way = inputs.amountMm >= 0 ? 'outside' : 'inside'
  const steps = halvesOf(before, inputs.half).flatMap((runs): PaperStep[] => {
    const { pieceId, at } = middleOf(applied.garment, runs, sizeId)
    const { name } = findPiece(before, pieceId)!
    const [was, is] = [before, applied.garment].map((g) => runLength(g, runs, sizeId))
    const drawing = {
      pieceId,
      strokes: [outlineStroke(before, pieceId, sizeId, 'outline'), outlineStroke(applied.garment, pieceId, sizeId, 'result')],
      labels: [{ at, text: figure(inputs.amountMm / 2) }],
    }
    return [
      { text: `${name}: halfway down the armhole, on the seam line, mark ${figure(inputs.amountMm / 2)} ${way} it.`, drawing },
      {
        text: `${name}: draw the armhole from the shoulder through the mark to the underarm; both its ends stay, and run as they did. The ${inputs.half} armhole measures ${figure(is!)} (was ${figure(was!)}).`,
        drawing,
      },
    ]
  })
  const hasSleeve = findArmholes(before).some((a) => a.sleeve)
  return [
    ...steps,
    { text: capStep(before, applied.garment, sizeId, ruler) + (hasSleeve ? ' Only that half changes.' : ''), drawing: null },
  ]
}
