import { measureLength } from '../../geometry'
import { edgePath, findPiece, shapeOf, timesRound } from '../../pattern'
import { findNecklines, runLength } from '../../seams'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import type { RedrawNecklineInputs } from './schema'
import { bandsOf, canFollow } from './sewn-to'

/** With ruler and pencil: both ends marked, the line drawn between them, looked at across the shoulder, then what is sewn to it. */
export function necklinePaperSteps({ before, inputs, applied, context, ruler }: StepInput<RedrawNecklineInputs>): PaperStep[] {
  const { sizeId } = context
  const found = findNecklines(before)
  if (!found.ok) return []
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const changed = found.value.filter((n) => inputs[`${n.half}Mm`] !== 0 || inputs.widerMm !== 0)
  const steps = changed.map((n): PaperStep => {
    const { piece } = n
    const deeperMm = inputs[`${n.half}Mm`]
    const centre = n.centre ? `the ${piece.edges.find((e) => e.id === n.centre!.edgeId)!.name}` : 'the middle'
    const marks = [
      ...(deeperMm === 0 ? [] : [`${figure(deeperMm)} ${deeperMm > 0 ? 'down' : 'up'} ${centre} from the neckline`]),
      ...(inputs.widerMm === 0
        ? []
        : [
            inputs.widerMm > 0
              ? `${figure(inputs.widerMm)} out along the shoulder seam from the neck`
              : `${figure(inputs.widerMm)} in from the neck, on the shoulder seam ruled on`,
          ]),
    ]
    const [was, is] = [runLength(before, n.runs, sizeId), runLength(applied.garment, n.runs, sizeId)]
    const facing = n.facing ? ' Draw its outer edge as far from it as before.' : ''
    return {
      text: `${piece.name}: mark ${marks.join(', and ')}. Draw the neckline between its ends in the shape that it had, square to ${centre} for the last bit. It measures ${figure(is)} (was ${figure(was)}).${facing}`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    }
  })
  const across: PaperStep = {
    text: 'Lay front and back together along the shoulder seam: the neckline must run on over it without a corner.',
    drawing: null,
  }
  const bands = bandsOf(before, found.value).map(({ piece, seam, side }): PaperStep => {
    const edge = seam.sides[side][0]!.edgeId
    const length = (garment: typeof before) => measureLength(edgePath(shapeOf(findPiece(garment, piece.id)!, sizeId), edge))
    const grew = length(applied.garment) - length(before)
    const isLonger = grew > 0
    if (inputs.band === 'left' || !canFollow({ piece, seam, side }, sizeId))
      return { text: `${piece.name}: it stays as it is, and no longer fits this neckline.`, drawing: null }
    return {
      text: `${piece.name}: cut it across between its marks and ${isLonger ? 'insert' : 'fold out'} ${figure(grew)} in all, each part by what its part of the neckline has ${isLonger ? 'gained' : 'lost'}. It measures ${figure(length(applied.garment))}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    }
  })
  // Of half pieces and pairs there are two.
  const round = (garment: typeof before) =>
    found.value.filter((n) => !n.facing).reduce((sum, n) => sum + runLength(garment, n.runs, sizeId) * timesRound(garment, n.piece), 0)
  const all: PaperStep = {
    text: `All round the neckline measures ${figure(round(applied.garment))} (was ${figure(round(before))}): so much binding or facing goes to it.`,
    drawing: null,
  }
  return [...steps, across, ...bands, all]
}
