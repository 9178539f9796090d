import { placeAt, distance } from '../../geometry'
import { frontKind, apexOfFront } from '../../measure'
import { findPiece, shapeOf, edgePath, dartFigures } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { changeBust } from './change-bust'
import type { BustAmountInputs } from './schema'

/** Cut, spread, true: in the order of the school for this kind of front (craft 6.12). */
export function bustSteps({ before, inputs, applied, context, ruler }: StepInput<BustAmountInputs>): PaperStep[] {
  const done = changeBust(before, inputs)
  if (!done.ok) return []
  const { prepared, spread, dartId } = done.value
  const piece = findPiece(prepared, inputs.pieceId)!
  const shape = shapeOf(piece, context.sizeId)
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const amount = figure(inputs.amountMm)
  const start = outlineStroke(prepared, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const front = frontKind(before, findPiece(before, inputs.pieceId)!)!
  if (front.how === 'panels') {
    const at = placeAt(edgePath(shape, front.edge.id), 0).point
    return [
      {
        text: `${piece.name} and ${front.other.name}: mark the height of the bust on the ${front.edge.name} of both.`,
        drawing: { pieceId: piece.id, strokes: [start, lineStroke(at, at, 'line')], labels: [] },
      },
      {
        text: `${piece.name}: let the seam ${inputs.amountMm > 0 ? 'out' : 'in'} there and run it into the old line at both ends; both panels together give ${amount}, so shared that both edges grow alike.`,
        drawing: { pieceId: piece.id, strokes: [start, result], labels: [] },
      },
      {
        text: `Walk the two edges along each other: they must end together.`,
        drawing: {
          pieceId: front.other.id,
          strokes: [
            outlineStroke(before, front.other.id, context.sizeId, 'outline'),
            outlineStroke(applied.garment, front.other.id, context.sizeId, 'result'),
          ],
          labels: [],
        },
      },
    ]
  }
  const apex = apexOfFront(front, context.sizeId).point
  const lines = spread ? [spread.slashes.armhole, spread.slashes.lower, spread.slashes.centre].map((p) => lineStroke(p, apex, 'line')) : []
  const dart = piece.darts.find((d) => d.id === dartId)
  const d = dart && dartFigures(piece, shape, dart)
  const drop = spread ? figure(distance(spread.apex, apex)) : ''
  return [
    ...(front.how === 'other-dart'
      ? [
          {
            text: `${piece.name}: first move the ${front.dart.name} to the side.`,
            drawing: { pieceId: piece.id, strokes: [outlineStroke(before, piece.id, context.sizeId, 'outline'), start], labels: [] },
          },
        ]
      : []),
    {
      text: `${piece.name}: rule from the armhole to the apex, from the apex straight down to the lower edge, square across to the centre, and through the middle of the side dart${d && d.intakeMm < 1 ? ' (where none is: straight across to the side)' : ''}.`,
      drawing: { pieceId: piece.id, strokes: [start, ...lines], labels: [{ at: apex, text: 'apex' }] },
    },
    {
      text: `${piece.name}: cut from below to the apex and on almost to the armhole, and from the side to the apex. Swing the part with the armhole until the cut stands ${amount} ${inputs.amountMm >= 0 ? 'open' : 'overlapped'} at the apex; keep the cut below it just as wide all the way. Tape.`,
      drawing: { pieceId: piece.id, strokes: [start, result], labels: spread ? [{ at: spread.apex, text: amount }] : [] },
    },
    {
      text: `${piece.name}: cut across to the centre and slide the lower centre ${inputs.amountMm >= 0 ? 'down' : 'up'} until the lower edge is level again; at the apex the paper has gone ${drop} in all. Redraw the lower edge. ${inputs.waist === 'side' ? `Take ${amount} out along the side below the dart.` : inputs.waist === 'dart' ? `Draw a dart of ${amount} below the apex.` : `The lower edge is ${amount} ${inputs.amountMm >= 0 ? 'wider' : 'narrower'}.`}`,
      drawing: { pieceId: piece.id, strokes: [start, result], labels: [] },
    },
    ...(dartId && spread ? finishSteps(applied.garment, piece.id, dartId, spread.apex, context.sizeId, ruler) : []),
  ]
}
