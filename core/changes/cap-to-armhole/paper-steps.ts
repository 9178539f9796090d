import { findPiece } from '../../pattern'
import { armholesWithSleeve, measureArmhole } from '../../seams'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import { capsFollow } from './apply'
import type { PaperStep, StepInput } from '../types'
import type { CapToArmholeInputs } from './schema'

/** The same with tape and pencil. */
export function capPaperSteps({ before, inputs, applied, context, ruler }: StepInput<CapToArmholeInputs>): PaperStep[] {
  const pairs = armholesWithSleeve(before)
  if (!pairs.ok) return []
  const { sizeId } = context
  const figure = (mm: number) => formatLength(mm, ruler)
  const pair = pairs.value[0]!
  const { seam, side } = pair.sleeve
  const [was, is] = [measureArmhole(before, pair, sizeId), measureArmhole(applied.garment, pair, sizeId)]
  const pieceId = seam.sides[side][Math.floor(seam.sides[side].length / 2)]!.pieceId
  const piece = findPiece(before, pieceId)!
  const drawing = {
    pieceId,
    strokes: [outlineStroke(before, pieceId, sizeId, 'outline'), outlineStroke(applied.garment, pieceId, sizeId, 'result')],
    labels: [],
  }
  const done = capsFollow(before, inputs, context)
  const cap = done.ok ? done.value.caps.get(sizeId)?.find((c) => c.seamId === seam.id) : undefined
  const up =
    cap && cap.riseMm !== 0
      ? `Raise or lower the top of the cap by ${figure(Math.abs(cap.riseMm))} (${cap.riseMm > 0 ? 'up' : 'down'}). `
      : ''
  const out =
    cap && (cap.outMm.front !== 0 || cap.outMm.back !== 0)
      ? `Turn the sleeve seams about the wrist until their upper ends lie ${figure(Math.abs(cap.outMm.front))} (front) and ${figure(Math.abs(cap.outMm.back))} (back) ${cap.outMm.front + cap.outMm.back > 0 ? 'further out' : 'further in'}. `
      : ''
  return [
    {
      text: `Measure the armholes on the seam line, standing the tape on its edge: front ${figure(is.armhole.front)}, back ${figure(is.armhole.back)}. With the ease, the cap has to measure ${figure(is.cap.front)} in front and ${figure(is.cap.back)} at the back (it measures ${figure(was.cap.front)} and ${figure(was.cap.back)}).`,
      drawing: null,
    },
    {
      text: `${piece.name}: ${up}${out}Redraw the cap smoothly, leaving the underarm points in the direction that it had there.`,
      drawing,
    },
    {
      text: `Walk the cap along the armhole from both underarms: set the notches where they meet, and the shoulder notch ${figure(is.cap.back)} from the underarm at the back.`,
      drawing,
    },
  ]
}
