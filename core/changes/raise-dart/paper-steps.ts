import { shapeOf, dartFigures, findPiece, grainDirection } from '../../pattern'
import { add } from '../../geometry'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { dartsOf, apexOf } from '../shared/darts/find-darts'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { asideOf } from './held'
import type { RaiseDartInputs } from './schema'

/** Trace the dart higher or lower, or turn it to the apex aside; fold it closed, redraw its edge. */
export function raiseSteps({ before, inputs, applied, context, ruler }: StepInput<RaiseDartInputs>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const d = dartFigures(piece, shape, dart)
  const now = findPiece(applied.garment, piece.id)!
  const shapeNow = shapeOf(now, context.sizeId)
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const way = inputs.amountMm < 0 ? 'down' : 'up'
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const apex = apexOf(found)(context.sizeId)
  const moved = { x: apex.x - grainDirection(shape).x * inputs.amountMm, y: apex.y - grainDirection(shape).y * inputs.amountMm }
  const nowDart = dartFigures(now, shapeNow, dart)
  const aside = add(moved, asideOf(piece, shape, moved, inputs.asideMm))
  const asideText = formatLength(Math.abs(inputs.asideMm), ruler)
  const redrawn = {
    pieceId: piece.id,
    strokes: [outline, outlineStroke(applied.garment, piece.id, context.sizeId, 'result'), lineStroke(nowDart.first, nowDart.tip, 'line')],
    labels: [],
  }
  const raise: PaperStep[] = [
    {
      text: `${piece.name}: draw a box round the ${dart.name} and its apex, two sides along the grain and two square to it, and cut it out. Slide it ${amount} ${way} along the grain and tape it.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(d.first, d.tip, 'cut'), lineStroke(d.second, d.tip, 'cut'), lineStroke(apex, moved, 'line')],
        labels: [{ at: apex, text: amount }],
      },
    },
    {
      text: `${piece.name}: fold the ${dart.name} closed and redraw the ${d.before.name} from corner to corner, as it was; unfold. Its ends now lie ${amount} ${way === 'up' ? 'higher' : 'lower'} along the grain.`,
      drawing: redrawn,
    },
  ]
  const turn: PaperStep[] = [
    {
      text: `${piece.name}: mark the apex ${asideText} nearer to the ${inputs.asideMm > 0 ? 'side' : 'centre'}, square to the grain. Draw both legs of the ${dart.name} anew from where it begins toward there.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(d.first, d.tip, 'cut'), lineStroke(d.second, d.tip, 'cut'), lineStroke(moved, aside, 'line')],
        labels: [{ at: aside, text: asideText }],
      },
    },
    {
      text: `${piece.name}: fold the ${dart.name} closed, so that its legs are alike, and redraw the ${d.before.name} from corner to corner; unfold.`,
      drawing: redrawn,
    },
  ]
  return [
    ...(inputs.amountMm === 0 && inputs.asideMm !== 0 ? [] : raise),
    ...(inputs.asideMm === 0 ? [] : turn),
    ...finishSteps(applied.garment, piece.id, dart.id, aside, context.sizeId, ruler),
  ]
}
