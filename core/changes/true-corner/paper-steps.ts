import { measureLength, placeAt } from '../../geometry'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { findCorner } from './find-corner'
import type { TrueCornerInputs } from './schema'

/** Half the length of the tick that marks where the redrawing begins, mm. */
const TICK_MM = 8

/** Pencil and curve: lay the pieces together as sewn, mark, draw through, trace back. */
export function trueCornerPaperSteps({ before, inputs, applied, context, ruler }: StepInput<TrueCornerInputs>): PaperStep[] {
  const corner = findCorner(before, inputs.cornerId, context.sizeId)!
  const reach = formatLength(inputs.reachMm, ruler)
  const marks = corner.arms.map((arm): PaperStep => {
    const piece = findPiece(before, arm.pieceId)!
    const path = edgePath(shapeOf(piece, context.sizeId), arm.edgeId)
    const { point, tangent } = placeAt(path, arm.atStart ? inputs.reachMm : measureLength(path) - inputs.reachMm)
    const tick = (way: number) => ({ x: point.x - tangent.y * TICK_MM * way, y: point.y + tangent.x * TICK_MM * way })
    return {
      text: `${piece.name}: on the seam line of the ${piece.edges.find((e) => e.id === arm.edgeId)!.name}, mark ${reach} from the corner.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
          lineStroke(tick(-1), tick(1), 'cut'),
        ],
        labels: [{ at: tick(1), text: reach }],
      },
    }
  })
  const takes =
    corner.arms.length === 1
      ? 'square to the fold'
      : `${{ none: 'changing only the second', half: 'sharing the change between the two', all: 'changing only the first' }[inputs.firstTakes]}`
  return [
    {
      text: `Lay the pieces together as they are sewn, seam line on seam line: ${corner.where}. They turn a corner of ${Math.abs(corner.turnDeg).toFixed(0)}° ${corner.turnDeg > 0 ? 'inward' : 'outward'}.`,
      drawing: null,
    },
    ...marks,
    {
      text: `Draw one smooth line from mark to mark through the end of the seam, ${takes}; the end of the seam stays where it is. Trace it back onto ${corner.arms.length > 1 ? 'both pieces' : 'the piece'} and put the seam allowance back.`,
      drawing: null,
    },
  ]
}
