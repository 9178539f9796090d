import { grainDirection, shapeOf, findPiece } from '../../pattern'
import { findArmholes, HALVES, runLength, whyNoArmhole } from '../../seams'
import { ok } from '../../result'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { outlineStroke } from '../shared/draw-step'
import type { Field, Handle, PaperStep, StepInput } from '../types'
import { applyShoulderSlope } from './apply'
import { tipOf } from './held'
import { readShoulderSlope } from './reads'
import { ShoulderSlopeSchema, type ShoulderSlopeInputs } from './schema'

/** Craft 6.7: squarer or more sloping shoulder. */
export const shoulderSlope = defineChange({
  kind: 'shoulder-slope',
  title: 'Squarer or more sloping shoulder',
  foundBy: [
    'squarer shoulder',
    'square shoulder',
    'sloping shoulder',
    'more sloping shoulder',
    'shoulder stands off at its end',
    'folds from neck to arm along the shoulder',
    'raise the shoulder',
    'lower the shoulder',
  ],
  does: 'Moves the outer ends of the shoulder seams up or down, front and back alike.',
  holds: 'Shoulder lengths, neck points, armhole length (or the cap follows), side seams equal.',
  schema: ShoulderSlopeSchema,
  reads: (wish, _garment, _context, begun) => readShoulderSlope(wish, begun),
  phase: 'widths',
  begin(garment) {
    const none = whyNoArmhole(garment, findArmholes(garment))
    return none ?? ok({ amountMm: 0, armhole: 'kept' })
  },
  fields: (): Field[] => [
    { type: 'growth', key: 'amountMm', label: 'Shoulder, at its end', plus: 'Squarer', minus: 'More sloping', first: 'plus' },
    {
      type: 'choice',
      key: 'armhole',
      label: 'The armhole',
      options: [
        { value: 'kept', label: 'goes along and keeps its length' },
        { value: 'grows', label: 'grows or shrinks, the cap follows' },
      ],
    },
  ],
  describe: (_garment, inputs) => ({
    title: inputs.amountMm === 0 ? 'Squarer or more sloping shoulder' : inputs.amountMm > 0 ? 'Squarer shoulder' : 'More sloping shoulder',
    amountMm: inputs.amountMm,
  }),
  apply: applyShoulderSlope,
  handles: (garment, inputs, applied, context): Handle[] =>
    findArmholes(garment)
      .slice(0, 1)
      .flatMap((armhole) =>
        HALVES.map((half, i): Handle => {
          const piece = findPiece(applied.garment, armhole[half][0]!.pieceId)!
          const down = grainDirection(shapeOf(piece, context.sizeId))
          return {
            id: half,
            pieceId: piece.id,
            at: tipOf(applied.garment, armhole[half], context.sizeId),
            axis: { x: -down.x, y: -down.y },
            label: 'shoulder',
            valueMm: inputs.amountMm,
            isGrowth: true,
            kind: i === 0 ? 'amount' : 'level',
          }
        }),
      ),
  drag: (_garment, inputs, _handle, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  choices: (_garment, inputs) => [
    { label: 'armhole kept', inputs: { ...inputs, armhole: 'kept' as const } },
    { label: 'cap follows', inputs: { ...inputs, armhole: 'grows' as const } },
  ],
  paperSteps: slopePaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

function slopePaperSteps({ before, inputs, applied, context, ruler }: StepInput<ShoulderSlopeInputs>): PaperStep[] {
  const { sizeId } = context
  const [armhole] = findArmholes(before)
  if (!armhole) return []
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const isUp = inputs.amountMm >= 0
  const steps = HALVES.map((half): PaperStep => {
    const pieceId = armhole[half][0]!.pieceId
    const mm = formatLength(runLength(applied.garment, armhole[half], sizeId), ruler)
    const rest =
      inputs.armhole === 'kept'
        ? `trace the whole armhole ${isUp ? 'up' : 'down'} with it, and run the side seam ${isUp ? 'on up' : 'down'} to the new underarm; the armhole measures ${mm} as before`
        : `redraw the armhole from it; it measures ${mm}`
    return {
      text: `${findPiece(before, pieceId)!.name}: mark the outer end of the shoulder ${amount} ${isUp ? 'higher' : 'lower'}, as far from the neck point as before. Rule the shoulder; ${rest}.`,
      drawing: {
        pieceId,
        strokes: [outlineStroke(before, pieceId, sizeId, 'outline'), outlineStroke(applied.garment, pieceId, sizeId, 'result')],
        labels: [{ at: tipOf(applied.garment, armhole[half], sizeId), text: amount }],
      },
    }
  })
  const cap =
    inputs.armhole === 'kept'
      ? 'The sleeve stays as it is. Lay front and back together at the shoulder: neckline and armhole must run on without a corner.'
      : 'Redraw the cap of the sleeve so that it is as much longer than the armhole as before, front and back.'
  return [...steps, { text: cap, drawing: null }]
}

export type { ShoulderSlopeInputs } from './schema'
