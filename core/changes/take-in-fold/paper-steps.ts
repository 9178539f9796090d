import { mix } from '../../geometry'
import { shapeOf, marksAlong, dartFigures, findPiece, dartIn } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { dartsOf, apexOf } from '../shared/darts/find-darts'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { onOneSide, pinsOf, pinPoints } from './apply'
import type { TakeInFoldInputs } from './schema'

/** Fold from the pins to the apex, open the dart, redraw what was pinned. */
export function foldSteps(input: StepInput<TakeInFoldInputs>): PaperStep[] {
  const { applied, context, ruler } = input
  const { garment: before, inputs, side } = onOneSide(input.before, input.inputs)
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const pins = pinsOf(piece, shape, inputs)
  if (!pins) return []
  const at = apexOf(found)(context.sizeId)
  const [a, b] = pinPoints(shape, inputs.edgeId, pins)
  const figure = (mm: number) => formatLength(mm, ruler)
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)!
  const mark = marksAlong(piece, edge.id).find((m) => m.id === inputs.from)!.name
  const d = dartFigures(piece, shape, dart)
  const now = findPiece(applied.garment, piece.id)!
  const is = dartFigures(now, shapeOf(now, context.sizeId), dartIn(now, dart.id))
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const open: PaperStep = {
    text: `${piece.name}: trace it out whole, left and right, and write on each half which it is. What follows is done on the half “${side}” alone.`,
    drawing: { pieceId: piece.id, strokes: [outline], labels: [] },
  }
  return [
    ...(side === null ? [] : [open]),
    {
      text: `${piece.name}: on the ${edge.name} mark the first pin ${figure(inputs.atMm)} from “${mark}” and the second ${figure(inputs.amountMm)} further. Rule from both to the apex: pins further in are left aside, the edge decides.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(a.point, at, 'line'), lineStroke(b.point, at, 'line')],
        labels: [{ at: mix(a.point, b.point, 0.5), text: figure(inputs.amountMm) }],
      },
    },
    {
      text: `${piece.name}: cut a leg of the ${dart.name} to the apex and one of the new lines almost to it. Close the fold and tape it; the ${dart.name} opens from ${figure(d.intakeMm)} to ${figure(is.intakeMm)}. Redraw the ${edge.name} smoothly across, and make the shorter leg as long as the longer.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, result, lineStroke(a.point, at, 'cut')],
        labels: [{ at: d.first, text: figure(is.intakeMm) }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dart.id, at, context.sizeId, ruler),
  ]
}
