import { plansOf } from './apply'
import { findPiece } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { BlendInputs } from './schema'

/** Trace one size, mark, trace the other, join with a curve. */
export function blendPaperSteps({ before, inputs, applied, context, ruler }: StepInput<BlendInputs>): PaperStep[] {
  const nameOf = (id: string) => before.sizes.find((s) => s.id === id)?.name ?? id
  const figure = (mm: number) => formatLength(mm, ruler)
  const steps = plansOf(before, inputs).map(({ chain, plan }): PaperStep => {
    const piece = findPiece(before, chain.pieceId)!
    const parts = plan.transitions.map(
      (t) =>
        `from ${figure(t.startMm)} to ${figure(t.endMm)} below the top of the side seam go over from size ${nameOf(inputs[t.from])} to size ${nameOf(inputs[t.to])} with one smooth line`,
    )
    const text =
      parts.length > 0
        ? parts.join('; ')
        : `the side seam, ${figure(chain.totalMm)} long, is size ${nameOf(inputs[plan.zones[0]!])} all the way`
    return {
      text: `${piece.name}: lay the sizes over each other, centre on centre. Trace size ${nameOf(inputs[plan.zones[0]!])} at the top; ${text}. Trace the hem of size ${nameOf(inputs[plan.zones[plan.zones.length - 1]!])}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          ...[...new Set([inputs.bust, inputs.waist, inputs.hip])].map((id) => outlineStroke(before, piece.id, id, 'outline')),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
        ],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    { text: 'Sleeve and neckband take the size of the bust, a waistband that of the waist.', drawing: null },
    {
      text: 'Walk the side seams on the seam line: front and back must be equal, and the hem must run on without a corner.',
      drawing: null,
    },
  ]
}
