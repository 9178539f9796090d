import { placeAt, measureLength } from '../../geometry'
import { findPiece, shapeOf, edgePath } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { straightenFigures } from './apply'
import { placeBelow } from './places'
import type { LevelWedgeInputs } from './schema'

/** Cut to the side, fold or open, straighten the centre. */
export function wedgePaperSteps({ before, inputs, applied, context, ruler }: StepInput<LevelWedgeInputs>): PaperStep[] {
  const piece = findPiece(before, inputs.pieceId)!
  const shape = shapeOf(piece, context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const name = (id: string) => piece.edges.find((e) => e.id === id)!.name
  const from = placeAt(edgePath(shape, inputs.edgeId), placeBelow(shape, inputs.edgeId, inputs.belowMm) ?? 0).point
  const hinge = placeAt(edgePath(shape, inputs.hingeEdgeId), placeBelow(shape, inputs.hingeEdgeId, inputs.hingeBelowMm) ?? 0).point
  const gap = figure(Math.abs(inputs.amountMm))
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const figures = straightenFigures(before, inputs, context.sizeId).find((f) => f.straighten === inputs.straighten)
  const said = (f: { name: string; mm: number }) => `the ${f.name} becomes ${figure(Math.abs(f.mm))} ${f.mm < 0 ? 'shorter' : 'longer'}`
  const changes = figures ? [figures.upper, figures.lower].filter((f) => Math.abs(f.mm) > 0.5).map(said) : []
  return [
    {
      text: `${piece.name}: draw a line from the ${name(inputs.edgeId)}, ${figure(inputs.belowMm)} below its upper end, to the ${name(inputs.hingeEdgeId)}, ${figure(inputs.hingeBelowMm)} below its upper end, both on the seam line.`,
      drawing: { pieceId: piece.id, strokes: [outline, lineStroke(from, hinge, 'line')], labels: [{ at: from, text: gap }] },
    },
    {
      text:
        inputs.amountMm >= 0
          ? `${piece.name}: cut almost to the ${name(inputs.hingeEdgeId)}, clip the allowance there, and swing the lower part down until the gap is ${gap}. Tape paper behind it.`
          : `${piece.name}: fold the wedge out: ${gap} wide at the ${name(inputs.edgeId)}, nothing at the seam line of the ${name(inputs.hingeEdgeId)}. Tape it.`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(from, hinge, 'cut')], labels: [{ at: from, text: gap }] },
    },
    {
      text: `${piece.name}: rule the ${name(inputs.edgeId)} straight again${inputs.straighten === 'between' ? ' from end to end' : inputs.straighten === 'lower' ? ', on from its upper part' : ', on from its lower part'}${changes.length > 0 ? `; ${changes.join(', and ')}` : ''}. Smooth the bend at the hinge. The ${name(inputs.hingeEdgeId)} measures ${figure(measureLength(edgePath(shape, inputs.hingeEdgeId)))} as before.`,
      drawing: { pieceId: piece.id, strokes: [outline, result], labels: [] },
    },
  ]
}
