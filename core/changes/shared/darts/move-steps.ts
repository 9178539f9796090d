import { placeAt } from '../../../geometry'
import { dartFigures, edgePath, findPiece, shapeOf } from '../../../pattern'
import { formatLength } from '../../../units'
import { finishSteps } from './finish-steps'
import { lineStroke, outlineStroke } from '../draw-step'
import { apexOf, dartsOf } from './find-darts'
import type { PaperStep, StepInput } from '../../types'
import { movedDart } from './apply-move'
import type { DartMove } from './dart-move'

/** Draw to the apex, cut, swing, tape; then finish. */
export function moveDartSteps({ before, inputs, applied, context, ruler }: StepInput<DartMove>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const apex = apexOf(found, inputs.beyondMm)(context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)!
  const corner = piece.corners[piece.edges.indexOf(edge)]!.name
  const mouth = placeAt(edgePath(shape, edge.id), inputs.atMm).point
  const was = dartFigures(piece, shape, dart)
  const { dartIds } = movedDart(before, found, inputs)
  const last = dartIds[dartIds.length - 1]!
  const now = findPiece(applied.garment, piece.id)!
  const moved = now.darts.find((d) => d.id === last)
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const opens = moved ? figure(dartFigures(now, shapeOf(now, context.sizeId), moved).intakeMm) : ''
  const share = inputs.sharePct < 100 ? ` until ${inputs.sharePct} % of it is closed` : ' until its legs meet'
  return [
    {
      text: `${piece.name}: rule both legs of the ${dart.name} on to the apex. Mark the ${edge.name} ${figure(inputs.atMm)} from the corner “${corner}” and rule from there to the apex.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(was.first, apex, 'line'), lineStroke(was.second, apex, 'line'), lineStroke(mouth, apex, 'line')],
        labels: [{ at: mouth, text: figure(inputs.atMm) }],
      },
    },
    {
      text: `${piece.name}: cut along the new line to the apex and along one leg of the ${dart.name} almost to it. Swing the paper between them${share}; the cut opens by ${opens} at the seam line. Tape both.`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(mouth, apex, 'cut')], labels: [{ at: mouth, text: opens }] },
    },
    ...(inputs.trued
      ? [
          {
            text: `${piece.name}: where the dart closed, redraw the ${was.before.name} smoothly across.`,
            drawing: { pieceId: piece.id, strokes: [outline, result], labels: [] },
          },
        ]
      : []),
    ...dartIds.flatMap((id) => finishSteps(applied.garment, piece.id, id, apex, context.sizeId, ruler)),
  ]
}
