import { placeAt, mix } from '../../geometry'
import { findPiece, shapeOf, edgePath } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { SlashSwingInputs } from './schema'

/** Cut almost to the hinge, swing, tape, redraw. */
export function slashPaperSteps({ before, inputs, applied, context, ruler }: StepInput<SlashSwingInputs>): PaperStep[] {
  const piece = findPiece(before, inputs.pieceId)!
  const shape = shapeOf(piece, context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const from = placeAt(edgePath(shape, inputs.fromEdgeId), inputs.fromMm).point
  const hinge = placeAt(edgePath(shape, inputs.hingeEdgeId), inputs.hingeMm).point
  const name = (id: string) => piece.edges.find((e) => e.id === id)!.name
  const corner = (id: string) => piece.corners[piece.edges.findIndex((e) => e.id === id)]!.name
  const gap = figure(Math.abs(inputs.amountMm))
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  return [
    {
      text: `${piece.name}: mark the ${name(inputs.fromEdgeId)} ${figure(inputs.fromMm)} from the corner “${corner(inputs.fromEdgeId)}”, and the ${name(inputs.hingeEdgeId)} ${figure(inputs.hingeMm)} from the corner “${corner(inputs.hingeEdgeId)}”. Join the marks with a ruler.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(from, hinge, 'line')],
        labels: [{ at: from, text: figure(inputs.fromMm) }],
      },
    },
    {
      text: `${piece.name}: cut from the ${name(inputs.fromEdgeId)} almost to the ${name(inputs.hingeEdgeId)}, and clip the allowance there from outside. ${
        inputs.amountMm >= 0
          ? `Swing open until the gap is ${gap} at the seam line, and tape paper behind it.`
          : `Swing closed until the edges overlap by ${gap} at the seam line, and tape.`
      }`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(from, hinge, 'cut')], labels: [{ at: from, text: gap }] },
    },
    {
      text: `${piece.name}: redraw the ${name(inputs.fromEdgeId)} over the ${inputs.amountMm >= 0 ? 'gap' : 'overlap'}: straight with a ruler if it was straight, otherwise smooth. Round the bend at the hinge a little; its edge keeps its length.`,
      drawing: { pieceId: piece.id, strokes: [outline, result], labels: [{ at: mix(from, hinge, 0.5), text: '' }] },
    },
  ]
}
