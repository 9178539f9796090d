import { shapeOf, dartFigures, findPiece, dartIn } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { bothDarts } from './apply'
import type { MergeDartsInputs } from './schema'

/** Rule the legs to the apex, cut, swing, finish the one that stays. */
export function mergeSteps({ before, inputs, applied, context, ruler }: StepInput<MergeDartsInputs>): PaperStep[] {
  const both = bothDarts(before, inputs)
  if (!both.ok) return []
  const { from, into, apex } = both.value
  const { piece } = from
  const shape = shapeOf(piece, context.sizeId)
  const at = apex(context.sizeId)
  const [a, b] = [dartFigures(piece, shape, from.dart), dartFigures(piece, shape, into.dart)]
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const now = findPiece(applied.garment, piece.id)!
  const opens = formatLength(dartFigures(now, shapeOf(now, context.sizeId), dartIn(now, into.dart.id)).intakeMm, ruler)
  return [
    {
      text: `${piece.name}: rule the legs of the ${from.dart.name} and of the ${into.dart.name} on to the apex.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, ...[a.first, a.second, b.first, b.second].map((p) => lineStroke(p, at, 'line'))],
        labels: [{ at, text: 'apex' }],
      },
    },
    {
      text: `${piece.name}: cut one leg of the ${into.dart.name} to the apex and one of the ${from.dart.name} almost to it. Swing the ${from.dart.name} closed and tape it; the ${into.dart.name} opens to ${opens} at the seam line. Draw the shorter leg as long as the longer, and redraw the ${a.before.name} smoothly where the dart closed.`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(b.first, at, 'cut')], labels: [{ at: b.first, text: opens }] },
    },
    ...finishSteps(applied.garment, piece.id, into.dart.id, at, context.sizeId, ruler),
  ]
}
