import { mix } from '../../geometry'
import { findPiece } from '../../pattern'
import { armholesWithSleeve, bicepPieces, HALVES, measureArmhole, underarmEnd } from '../../seams'
import { formatLength, markMm, roundToRuler } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { changeBicep, shareByWidth } from './apply'
import type { BicepWidthInputs } from './schema'

/** The same with ruler, scissors and tape, in the order of its school (craft 6.10); the shares add up to the rounded whole. */
export function bicepPaperSteps({ before, inputs, applied, context, ruler }: StepInput<BicepWidthInputs>): PaperStep[] {
  const pairs = armholesWithSleeve(before)
  const tried = changeBicep(before, inputs)
  if (!pairs.ok || !tried.ok) return []
  const { sizeId } = context
  const pair = pairs.value[0]!
  const done = tried.value.done.get(sizeId)
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const pieces = bicepPieces(before, pair, sizeId)
  const shares = roundToRuler(
    shareByWidth(
      Math.abs(inputs.amountMm),
      pieces.map((p) => p.widthMm),
    ),
    markMm(ruler),
  )
  const opens = inputs.amountMm >= 0
  const steps = pieces.map((p, i): PaperStep => {
    const open = done?.opened.find((o) => o.pieceId === p.piece.id)
    const share =
      pieces.length > 1
        ? `its share of ${figure(inputs.amountMm)} by its width of ${figure(p.widthMm)} at the bicep is ${figure(shares[i]!)}. `
        : ''
    const cap = open && open.capRad > 0 ? ' Cut along the bicep line to both underarm points, leaving a thread there.' : ''
    const drop =
      open && open.capRad > 0
        ? ` Then let the two halves of the cap ${opens ? 'drop' : 'rise'} by ${figure(shares[i]! / 2)} each at the cut.`
        : ''
    return {
      text: `${p.piece.name}: ${share}Cut from the top down the middle to the wrist seam line, leaving a thread there.${cap} ${opens ? 'Spread' : 'Lap'} it until it ${opens ? 'stands open' : 'laps'} ${figure(shares[i]!)} at the bicep.${drop} Tape it, and redraw the cap smoothly.`,
      drawing: {
        pieceId: p.piece.id,
        strokes: [
          outlineStroke(before, p.piece.id, sizeId, 'outline'),
          outlineStroke(applied.garment, p.piece.id, sizeId, 'result'),
          ...(open?.swings.slice(0, 1).map((s) => ({ path: s.cut, kind: 'cut' as const })) ?? []),
        ],
        labels: [{ at: mix(p.line.first.point, p.line.last.point, 0.5), text: figure(shares[i]!) }],
      },
    }
  })
  const [was, is] = [measureArmhole(before, pair, sizeId), measureArmhole(applied.garment, pair, sizeId)]
  const grew = is.cap.front + is.cap.back - was.cap.front - was.cap.back
  steps.push({
    text: `The cap has ${grew >= 0 ? 'grown' : 'shrunk'} by ${figure(grew)}: it measures ${figure(is.cap.front)} in front and ${figure(is.cap.back)} at the back.`,
    drawing: null,
  })
  if (inputs.armhole === 'stays') return [...steps, { text: 'The armhole stays: the cap has that much more or less ease.', drawing: null }]
  for (const half of HALVES) {
    const { piece } = underarmEnd(before, pair[half])
    const move = done?.moves?.[half]
    const out =
      move && move.outMm !== 0
        ? ` and ${figure(move.outMm)} ${move.outMm > 0 ? 'outward' : 'inward'}, blended into the side seam toward the waist`
        : ''
    steps.push({
      text: `${findPiece(before, piece.id)!.name}: the armhole has to ${grew >= 0 ? 'grow' : 'shrink'} by half of it, ${figure(is.armhole[half] - was.armhole[half])}. Mark the underarm ${figure(move?.downMm ?? 0)} ${(move?.downMm ?? 0) >= 0 ? 'down' : 'up'} the side seam${out}, and redraw the armhole smoothly from above its notch; it measures ${figure(is.armhole[half])}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    })
  }
  return steps
}
