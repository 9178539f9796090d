import { add, scale } from '../../geometry'
import { findPiece } from '../../pattern'
import { lengthOfSide, placeOnSeam, shareAt, sidesOfSeam } from '../../seams'
import { formatLength } from '../../units'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { seamOfRef } from './find-seams'
import type { SeamStretchInputs } from './schema'

/** Parts of the way above and below the deepest place at which it is measured by hand. */
const PARTS = [0.25, 0.5, 0.75]

/** With ruler and curve: the deepest place and where it runs out are marked, three measures between, one smooth line. */
export function seamStretchSteps({ before, inputs, applied, context, ruler }: StepInput<SeamStretchInputs>): PaperStep[] {
  const { sizeId } = context
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const way = inputs.amountMm < 0 ? 'inward' : 'outward'
  const found = seamOfRef(before, inputs.seam)
  if (!found) return []
  const isAtEnd = inputs.atMm === 0
  const above = isAtEnd ? 'from its upper end on, ' : `running into the old one ${figure(inputs.aboveMm)} above the deepest place and `
  const outMm = (mm: number) => inputs.amountMm * shareAt(inputs, mm)
  const sides = sidesOfSeam(before, found.piece.id, found.edge.id, sizeId)
  const steps = sides.map((side): PaperStep => {
    const total = lengthOfSide(before, side, sizeId)
    const places = [
      ...PARTS.map((part) => inputs.atMm - inputs.aboveMm * part),
      inputs.atMm,
      ...PARTS.map((part) => inputs.atMm + inputs.belowMm * part),
    ]
      .filter((mm) => mm >= 0 && mm <= total)
      .sort((a, b) => a - b)
    const names = [...new Set(side.map((r) => findPiece(before, r.pieceId)!.name))].join(' and ')
    const { pieceId } = placeOnSeam(before, side, inputs.atMm, sizeId)
    const measures = places.map((mm) => `${figure(mm)}: ${figure(outMm(mm))}`).join('; ')
    return {
      text: `${names}: measure down the seam from its upper end, and square to it ${way}: ${measures}. Draw one smooth line through the marks, ${above}running into the old one ${figure(inputs.belowMm)} below ${isAtEnd ? 'it' : 'the deepest place'}.`,
      drawing: {
        pieceId,
        strokes: [
          outlineStroke(before, pieceId, sizeId, 'outline'),
          outlineStroke(applied.garment, pieceId, sizeId, 'result'),
          ...places.flatMap((mm) => {
            const at = placeOnSeam(before, side, mm, sizeId)
            return at.pieceId === pieceId ? [lineStroke(at.point, add(at.point, scale(at.out, outMm(mm))), 'line')] : []
          }),
        ],
        labels: [],
      },
    }
  })
  return [
    ...steps,
    {
      text:
        isAtEnd && found.edge.role === 'inseam'
          ? 'Draw the crotch of each leg anew from the hip line down to the new point: it leaves the old line smoothly, and meets the inseam as it did.'
          : 'If an end of the seam moved, rule the edges that meet it on to the new corner.',
      drawing: null,
    },
    { text: 'Walk the seam: both sides must be as equal as before, notch on notch.', drawing: null },
  ]
}
