import { distance } from '../../geometry'
import { dartFigures, findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { findDart, isRefused } from '../shared/darts/find-darts'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { DartIntakeInputs } from './schema'

/** Mark both leg ends further along the edge, rule the legs to the old tip, finish the dart. */
export function intakePaperSteps({ before, inputs, applied, context, ruler }: StepInput<DartIntakeInputs>): PaperStep[] {
  const found = findDart(before, inputs.dart)
  if (isRefused(found)) return []
  const { piece, dart } = found
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const [was, is] = [before, applied.garment].map((g) => dartFigures(piece, shapeOf(findPiece(g, piece.id)!, context.sizeId), dart)) as [
    ReturnType<typeof dartFigures>,
    ReturnType<typeof dartFigures>,
  ]
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const way = inputs.amountMm >= 0 ? 'outside' : 'inside'
  return [
    {
      text: `${piece.name}: mark ${figure(distance(was.first, is.first))} and ${figure(distance(was.second, is.second))} ${way} the two leg ends of the ${dart.name}, along the edge. Between the marks it takes in ${figure(is.intakeMm)} (was ${figure(was.intakeMm)}).`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(was.first, is.first, 'cut'), lineStroke(was.second, is.second, 'cut')],
        labels: [{ at: is.first, text: figure(is.intakeMm) }],
      },
    },
    {
      text: `${piece.name}: rule both legs from the marks to the tip, which stays where it is. Each measures ${figure(is.firstMm)}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(is.first, is.tip, 'line'), lineStroke(is.second, is.tip, 'line')],
        labels: [{ at: is.tip, text: 'tip' }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dart.id, is.tip, context.sizeId, ruler).slice(-1),
  ]
}
