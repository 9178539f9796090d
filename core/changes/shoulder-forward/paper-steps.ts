import { findPiece, type Garment } from '../../pattern'
import { armholesWithSleeve, findArmholes, HALVES, measureArmhole, runLength } from '../../seams'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import { tipPoint } from './handles'
import type { PaperStep, StepInput } from '../types'
import type { ForwardShoulderInputs } from './schema'

/** The same with ruler and pencil, in the order of its school (craft 6.10). */
export function forwardPaperSteps({ before, inputs, applied, context, ruler }: StepInput<ForwardShoulderInputs>): PaperStep[] {
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const amount = figure(inputs.amountMm)
  const { sizeId } = context
  const [armhole] = findArmholes(before)
  if (!armhole) return []
  const isForward = inputs.amountMm >= 0
  const steps: PaperStep[] = HALVES.map((half) => [...armhole[half]])
    .reverse()
    .map((runs, i): PaperStep => {
      const half = i === 0 ? 'back' : 'front'
      const piece = findPiece(before, runs[0]!.pieceId)!
      const grows = (half === 'back') === isForward
      const mm = (g: Garment) => formatLength(runLength(g, runs, sizeId), ruler)
      return {
        text: grows
          ? `${piece.name}: tape paper above the shoulder. Run the armhole on ${amount} beyond the shoulder tip, along its own curve, and rule a new shoulder from the neck point to it, as long as the old one. The ${half} armhole measures ${mm(applied.garment)} (was ${mm(before)}).`
          : `${piece.name}: mark ${amount} down the armhole from the shoulder tip. Rule a new shoulder from the neck point to it, as long as the old one, and cut away what lies above. The ${half} armhole measures ${mm(applied.garment)} (was ${mm(before)}).`,
        drawing: {
          pieceId: piece.id,
          strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
          labels: [{ at: tipPoint(applied.garment, armhole, half, sizeId), text: amount }],
        },
      }
    })
  if (inputs.acrossMm > 0)
    steps.push({
      text: `Across the ${isForward ? 'back' : 'front'}: let the armhole out by ${figure(inputs.acrossMm)} in its middle, fading to nothing at both ends, and take the same from the ${isForward ? 'front' : 'back'}.`,
      drawing: null,
    })
  const sleeves = armholesWithSleeve(before)
  if (sleeves.ok) {
    const pair = sleeves.value[0]!
    const figures = measureArmhole(applied.garment, pair, sizeId)
    const piece = findPiece(
      before,
      pair.sleeve.seam.sides[pair.sleeve.side][Math.floor(pair.sleeve.seam.sides[pair.sleeve.side].length / 2)]!.pieceId,
    )!
    const drawing = {
      pieceId: piece.id,
      strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
      labels: [],
    }
    const halves = `front cap ${formatLength(figures.cap.front, ruler)}, back cap ${formatLength(figures.cap.back, ruler)}`
    steps.push(
      inputs.sleeve === 'notch'
        ? {
            text: `${piece.name}: the cap stays. Move its shoulder notch ${amount} to the ${isForward ? 'front' : 'back'}, along the cap: ${halves}.`,
            drawing,
          }
        : {
            text: `${piece.name}: cut along the bicep line, slide the whole cap ${amount} to the ${isForward ? 'front' : 'back'} and tape it. Redraw the cap from the underarm points to the notches: ${halves}.`,
            drawing,
          },
    )
  }
  steps.push({
    text: 'Lay front and back together at the shoulder: neckline and armhole must run on without a corner. Put the seam allowances back.',
    drawing: null,
  })
  return steps
}
