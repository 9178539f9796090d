import { measureLength, placeAt, add, scale } from '../../geometry'
import { edgePath, findPiece, grainDirection, neighbours, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { hemMove } from './apply'
import { findHem } from './find-hem'
import type { UnevenHemInputs } from './schema'

/** How many places along each hem edge are measured by hand, ends included. */
const PLACES = 5

/** Ruler and pencil: measure down from the old hem at a few places and join them. */
export function unevenHemPaperSteps({ before, inputs, applied, context, ruler }: StepInput<UnevenHemInputs>): PaperStep[] {
  const steps = findHem(before, context.sizeId).map((part): PaperStep => {
    const shape = shapeOf(part.piece, context.sizeId)
    const grain = grainDirection(shape)
    const hem = edgePath(shape, part.edge.id)
    const total = measureLength(hem)
    const moved = hemMove(part, inputs, total)
    const places = Array.from({ length: PLACES }, (_, i) => (total * i) / (PLACES - 1))
    const piece = findPiece(before, part.piece.id)!
    const { before: first } = neighbours(piece, part.edge.id)
    const figures = places.map((at) => formatLength(moved(at), ruler, { signed: true })).join(', ')
    return {
      text: `${piece.name}: divide the ${part.edge.name} into ${PLACES - 1} equal parts, starting at the ${first.name}. At the marks measure along the grain (+ is longer): ${figures}. Join the new marks with a smooth line that leaves both ends the way the old hem did; rule the side and centre on to it.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
          ...places.map((at) => {
            const p = placeAt(hem, at).point
            return lineStroke(p, add(p, scale(grain, moved(at))), 'line')
          }),
        ],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    {
      text: 'Lay front and back together at the side seam as sewn: the hem must run on without a corner, and both side seams must end together.',
      drawing: null,
    },
  ]
}
