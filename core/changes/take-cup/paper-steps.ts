import { measureLength } from '../../geometry'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import type { TakeCupInputs } from './schema'

/** Trace the other piece, check it by a figure, put the first away. */
export function takeCupSteps({ before, inputs, applied, context, ruler }: StepInput<TakeCupInputs>): PaperStep[] {
  const was = findPiece(before, inputs.pieceId)!
  const now = findPiece(applied.garment, inputs.pieceId)!
  const shape = shapeOf(now, context.sizeId)
  const edge = now.edges.find((e) => e.role === 'armhole') ?? now.edges[0]!
  const figure = formatLength(measureLength(edgePath(shape, edge.id)), ruler)
  return [
    {
      text: `Find the ${now.name} in the pattern and trace it in the size that was chosen, with its notches, darts and grain.`,
      drawing: {
        pieceId: now.id,
        strokes: [
          outlineStroke(before, now.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, now.id, context.sizeId, 'result'),
        ],
        labels: [],
      },
    },
    { text: `Check: its ${edge.name} measures ${figure} on the seam line.`, drawing: null },
    { text: `Put the ${was.name} away, so that it does not get among the pieces to be cut.`, drawing: null },
  ]
}
