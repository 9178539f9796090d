import { scale, distance } from '../../geometry'
import { findPiece, grainDirection, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { changeFrontLength } from './draw'
import type { FrontLengthInputs } from './schema'

/** Cut to the side, open at the centre, take the difference into the dart. */
export function lengthSteps({ before, inputs, applied, context, ruler }: StepInput<FrontLengthInputs>): PaperStep[] {
  const done = changeFrontLength(before, inputs)
  if (!done.ok) return []
  const { apex, atCentre, dartId, isNewDart, isWrap } = done.value
  const middle = isWrap ? 'front edge' : 'centre'
  const piece = findPiece(before, inputs.pieceId)!
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const way = inputs.amountMm >= 0 ? 'down' : 'up'
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const through = isNewDart ? 'straight across to the side' : 'through the middle of the side dart'
  const by = scale(grainDirection(shapeOf(piece, context.sizeId)), inputs.amountMm)
  return [
    {
      text: `${piece.name}: rule from the ${middle} square across to the apex (${formatLength(distance(atCentre, apex), ruler)}), and on ${through}.`,
      drawing: { pieceId: piece.id, strokes: [outline, lineStroke(atCentre, apex, 'line')], labels: [{ at: apex, text: 'apex' }] },
    },
    {
      text: `${piece.name}: cut along it. Slide the lower part ${way} the grain by ${amount}, ${isWrap ? 'and draw the front edge smoothly through from shoulder to waist' : 'the centre in one line and the grain straight'}; tape${inputs.amountMm >= 0 ? ' paper behind the gap' : ''}. The back is not changed.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, result, lineStroke(atCentre, { x: atCentre.x + by.x, y: atCentre.y + by.y }, 'line')],
        labels: [{ at: atCentre, text: amount }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dartId, apex, context.sizeId, ruler),
  ]
}
