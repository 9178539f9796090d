import { placeAt } from '../../geometry'
import { edgePath, shapeOf, findPiece } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { notchesOf, notchOnEdge } from './find-notch'
import type { MoveNotchInputs } from './schema'

/** Pencil and ruler: measure from the end of the edge, mark, take the old mark away. */
export function moveNotchPaperSteps({ before, inputs, applied, context, ruler }: StepInput<MoveNotchInputs>): PaperStep[] {
  const was = notchesOf(before).find((n) => n.ref === inputs.notch)!
  const is = notchesOf(applied.garment).find((n) => n.ref === inputs.notch)!
  const path = edgePath(shapeOf(findPiece(before, was.piece.id)!, context.sizeId), was.edge.id)
  const tick = (atMm: number, kind: 'line' | 'result') => {
    const { point: p, tangent: t } = placeAt(path, atMm)
    return lineStroke({ x: p.x - t.y * TICK_MM, y: p.y + t.x * TICK_MM }, { x: p.x + t.y * TICK_MM, y: p.y - t.x * TICK_MM }, kind)
  }
  const from = notchOnEdge(was, context.sizeId).atMm
  const to = notchOnEdge(is, context.sizeId).atMm
  const figure = (mm: number) => formatLength(mm, ruler)
  return [
    {
      text: `${was.piece.name}: on the seam line of the ${was.edge.name}, measure ${figure(Math.abs(inputs.byMm))} from notch “${was.notch.name}” ${inputs.byMm > 0 ? 'on, clockwise round the piece' : 'back, against the clock'}, and mark the new notch there: ${figure(to)} from the start of the edge (before: ${figure(from)}).`,
      drawing: {
        pieceId: was.piece.id,
        strokes: [outlineStroke(before, was.piece.id, context.sizeId, 'outline'), tick(from, 'line'), tick(to, 'result')],
        labels: [{ at: placeAt(path, to).point, text: figure(to) }],
      },
    },
    { text: 'Cross the old notch out, also in the seam allowance.', drawing: null },
    { text: 'Walk the seam once more: the notch must meet its partner.', drawing: null },
  ]
}

/** Half the length of a notch as it is drawn beside a step, mm. */
const TICK_MM = 9
