import { distance, measureLength } from '../../geometry'
import { gapOfAngle } from '../../moves'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { capStep } from '../shared/cap-step'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { swingShoulders } from './apply'
import { armholeLength, shoulderEnds } from '../shared/find-shoulders'
import type { ShoulderWidthInputs } from './schema'

/** Ruler and scissors: cut, swing until the gap is right, tape, rule the shoulder. */
export function shoulderPaperSteps(step: StepInput<ShoulderWidthInputs>): PaperStep[] {
  return step.inputs.armhole === 'redrawn' ? redrawnSteps(step) : swungSteps(step)
}

function swungSteps({ before, inputs, applied, context, ruler }: StepInput<ShoulderWidthInputs>): PaperStep[] {
  const done = swingShoulders(before, inputs)
  if (!done.ok) return []
  const figure = (mm: number) => formatLength(mm, ruler)
  const steps: PaperStep[] = []
  for (const [pieceId, { plan, cut }] of done.value.swung) {
    const piece = findPiece(before, pieceId)!
    const [was, is] = [shapeOf(piece, context.sizeId), shapeOf(findPiece(applied.garment, pieceId)!, context.sizeId)]
    const end = shoulderEnds(piece)[0]!
    const { from, to } = cut.slashes[0]!
    const gap = gapOfAngle(Math.abs(plan.swings[0]!.openRad), distance(from, to))
    const old = measureLength(edgePath(was, end.shoulder.id))
    const now = edgePath(is, end.shoulder.id)
    const both = shoulderEnds(piece).length > 1 ? ' Do the same on the other side.' : ''
    steps.push(
      {
        text: `${piece.name}: draw a line from the middle of the ${end.shoulder.name} (${figure(old / 2)} from its end) to a point ${figure(inputs.hingeMm)} down the armhole, measured along the seam line.${both}`,
        drawing: {
          pieceId,
          strokes: [outlineStroke(before, pieceId, context.sizeId, 'outline'), lineStroke(from, to, 'line')],
          labels: [{ at: from, text: figure(old / 2) }],
        },
      },
      {
        text:
          inputs.amountMm >= 0
            ? `${piece.name}: cut along the line almost to the armhole, and clip the allowance from outside almost to the same point. Swing the outer part away until the gap at the shoulder is ${figure(gap)}; tape paper behind it.`
            : `${piece.name}: cut along the line almost to the armhole, and clip the allowance from outside almost to the same point. Swing the outer part in until it overlaps by ${figure(gap)} at the shoulder; tape it.`,
        drawing: {
          pieceId,
          strokes: [
            outlineStroke(before, pieceId, context.sizeId, 'outline'),
            outlineStroke(applied.garment, pieceId, context.sizeId, 'result'),
            lineStroke(from, to, 'cut'),
          ],
          labels: [{ at: from, text: figure(gap) }],
        },
      },
      {
        text: `${piece.name}: rule the shoulder straight from its inner end to the moved tip: it must measure ${figure(measureLength(now))}. Where the armhole ran on smoothly at the point, draw it afresh from there up to the tip, so that it does again: it measures ${figure(armholeLength(is, end))} as before. Put the allowance back.`,
        drawing: {
          pieceId,
          strokes: [
            outlineStroke(before, pieceId, context.sizeId, 'outline'),
            outlineStroke(applied.garment, pieceId, context.sizeId, 'result'),
          ],
          labels: [{ at: now[0]!.from, text: figure(measureLength(now)) }],
        },
      },
    )
  }
  return [
    ...steps,
    { text: 'Walk the shoulder seam: front and back must meet as they did before. The sleeve is not changed.', drawing: null },
  ]
}

/** Ruler and curve: run the shoulder on or cut it off along its own line, draw the armhole to its end, walk the cap. */
function redrawnSteps({ before, inputs, applied, context, ruler }: StepInput<ShoulderWidthInputs>): PaperStep[] {
  const { sizeId } = context
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const steps = before.pieces.flatMap((piece): PaperStep[] => {
    const end = shoulderEnds(piece)[0]
    if (!end || inputs.leftOut.includes(piece.id)) return []
    const [was, is] = [shapeOf(piece, sizeId), shapeOf(findPiece(applied.garment, piece.id)!, sizeId)]
    const path = edgePath(is, end.shoulder.id)
    const mark =
      inputs.amountMm >= 0
        ? `run the ${end.shoulder.name} on by ${figure(inputs.amountMm)} along its own line`
        : `mark ${figure(inputs.amountMm)} in from the outer end of the ${end.shoulder.name}, on its own line`
    return [
      {
        text: `${piece.name}: ${mark}: it measures ${figure(measureLength(path))}. Draw the armhole from there down into the old one near the underarm, without a bend; at the shoulder it runs as it did. It measures ${figure(armholeLength(is, end))} (was ${figure(armholeLength(was, end))}).`,
        drawing: {
          pieceId: piece.id,
          strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
          labels: [{ at: end.reversed ? path[0]!.from : path[path.length - 1]!.to, text: figure(inputs.amountMm) }],
        },
      },
    ]
  })
  return [...steps, { text: capStep(before, applied.garment, sizeId, ruler), drawing: null }]
}
