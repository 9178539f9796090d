import { findPiece } from '../../pattern'
import { formatLength } from '../../units'
import { firstLevel } from '../shared/levels/begin'
import { stepsAtLevels } from '../shared/levels/paper-steps'
import type { PaperStep, StepInput } from '../types'
import { measureSideToSeam } from './measure-side'
import type { PlaceSeamInputs } from './schema'

/** What the side measures, then the line above the seam, then the one below it where the length is given back. */
export function placeSeamSteps(input: StepInput<PlaceSeamInputs>): PaperStep[] {
  const { before, inputs, applied, context, ruler } = input
  const piece = findPiece(before, inputs.pieceId)!
  const seam = before.seams.find((s) => s.id === inputs.seamId)!
  const now = measureSideToSeam(before, piece, seam, inputs.fromCornerId, context.sizeId)!
  const amountMm = applied.solvedMm ?? 0
  const upper = { ...applied, touched: applied.touched.filter((t) => t.levels.some((l) => l.amountMm === amountMm) || amountMm === 0) }
  const lower = { ...applied, touched: applied.touched.filter((t) => !upper.touched.includes(t)) }
  const below = lower.touched[0]
  const steps = [
    {
      text: `${piece.name}: on the seam line the side measures ${formatLength(now, ruler)} from the underarm to the ${seam.name}; ${formatLength(inputs.wantedMm, ruler)} is wanted: ${formatLength(amountMm, ruler, { signed: true })}.`,
      drawing: null,
    },
    ...stepsAtLevels({
      ...input,
      applied: upper,
      inputs: { amountMm, pieceId: inputs.pieceId, levels: [inputs.level], leftOut: [] },
    }),
  ]
  if (below) {
    const level = firstLevel(findPiece(before, below.pieceId)!, context.sizeId)
    steps.push(
      ...stepsAtLevels({
        ...input,
        applied: { ...lower, touched: lower.touched.map((t, i) => ({ ...t, how: i === 0 ? 'asked' : 'partner' })) },
        inputs: { amountMm: -amountMm, pieceId: below.pieceId, levels: [level], leftOut: [] },
      }),
    )
  }
  return steps
}
