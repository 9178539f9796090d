import { dartFigures, type Garment, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { dartsOf } from '../shared/darts/find-darts'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { besideLeg } from './beside-leg'
import type { EqualLegsInputs } from './schema'

/** Which leg it is, in words: by the edge beside it. */
export function legWords(garment: Garment, ref: string, leg: 'first' | 'second'): string {
  const found = dartsOf(garment).find((d) => d.ref === ref)
  if (!found) return leg
  return `the one beside the ${besideLeg(found, shapeOf(found.piece, garment.baseSizeId), leg).name}, ${leg === 'first' ? 'before' : 'after'} the dart`
}

/** Ruler and pencil: draw the leg on, mark its new end, rule the edge to it. */
export function equalLegsPaperSteps({ before, inputs, applied, context, ruler }: StepInput<EqualLegsInputs>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const was = dartFigures(piece, shapeOf(piece, context.sizeId), dart)
  const moved = dartsOf(applied.garment).find((d) => d.ref === inputs.dart)!
  const is = dartFigures(moved.piece, shapeOf(moved.piece, context.sizeId), moved.dart)
  const end = inputs.leg === 'first' ? is.first : is.second
  const length = formatLength(inputs.leg === 'first' ? is.firstMm : is.secondMm, ruler)
  const beside = besideLeg(found, shapeOf(piece, context.sizeId), inputs.leg).name
  return [
    {
      text: `${piece.name}: lay the ruler from the tip of the ${dart.name} along the leg beside the ${beside} and mark ${length} from the tip.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, context.sizeId, 'outline'), lineStroke(was.tip, end, 'cut')],
        labels: [{ at: end, text: length }],
      },
    },
    {
      text: `${piece.name}: redraw the ${beside} smoothly to the mark.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
        ],
        labels: [],
      },
    },
    { text: 'Fold the dart: both legs must end together at the edge. Put the seam allowance back.', drawing: null },
  ]
}
