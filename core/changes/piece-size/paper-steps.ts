import { sizeName } from './size-name'
import { measureLength } from '../../geometry'
import { findPiece, shapeOf, edgePath } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { PieceSizeInputs } from './schema'

/** Trace the pieces from the line of that size. */
export function pieceSizeSteps({ before, inputs, applied, context, ruler }: StepInput<PieceSizeInputs>): PaperStep[] {
  const name = sizeName(before, inputs.sizeId)
  const steps = applied.touched.map(({ pieceId }): PaperStep => {
    const piece = findPiece(before, pieceId)!
    const shape = shapeOf(piece, inputs.sizeId)
    const longest = piece.edges.reduce((a, b) => (measureLength(edgePath(shape, b.id)) > measureLength(edgePath(shape, a.id)) ? b : a))
    const figure = formatLength(measureLength(edgePath(shape, longest.id)), ruler)
    return {
      text: `${piece.name}: trace it along the lines of size ${name}, with the notches, darts and grain of that size. Check: the ${longest.name} measures ${figure} on the seam line.`,
      drawing: {
        pieceId,
        strokes: [
          outlineStroke(before, pieceId, context.sizeId, 'outline'),
          outlineStroke(applied.garment, pieceId, context.sizeId, 'result'),
        ],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    { text: `Write “size ${name}” on each of them, so that no piece of another size gets among them.`, drawing: null },
    { text: 'Walk the seams to the pieces that stay in another size, and blend or ease what differs.', drawing: null },
  ]
}
