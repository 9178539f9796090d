import { findPiece } from '../../pattern'
import { armholesWithSleeve, HALVES, measureArmhole, runLength, underarmEnd } from '../../seams'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import { armholesFollow } from './apply'
import type { PaperStep, StepInput } from '../types'
import type { ArmholeToCapInputs } from './schema'

/** The same with tape and pencil, in the order of its school (craft 6.10). */
export function armholePaperSteps({ before, inputs, applied, context, ruler }: StepInput<ArmholeToCapInputs>): PaperStep[] {
  const pairs = armholesWithSleeve(before)
  if (!pairs.ok) return []
  const { sizeId } = context
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const pair = pairs.value[0]!
  const is = measureArmhole(applied.garment, pair, sizeId)
  const done = armholesFollow(before, inputs, context)
  const moves = done.ok ? done.value.fits.get(sizeId) : undefined
  const steps = HALVES.map((half): PaperStep => {
    const { piece } = underarmEnd(before, pair[half])
    const move = moves?.[half] ?? { downMm: 0, outMm: 0, hollowMm: 0 }
    const out =
      move.outMm === 0
        ? ''
        : `, and ${figure(move.outMm)} ${move.outMm > 0 ? 'outward' : 'inward'}; blend the side seam from there to its lower end`
    return {
      text: `${findPiece(before, piece.id)!.name}: mark the new underarm ${figure(move.downMm)} ${move.downMm >= 0 ? 'down' : 'up'} along the side seam${out}. Redraw the armhole smoothly to the mark, from above its notch, square to the side as it was; it measures ${figure(runLength(applied.garment, pair[half], sizeId))} (was ${figure(runLength(before, pair[half], sizeId))}).`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    {
      text: `Lay front and back together at the side: the armhole must run on without a corner. Walk the cap round it: front ease ${figure(is.ease.front)}, back ease ${figure(is.ease.back)}.`,
      drawing: null,
    },
  ]
}
