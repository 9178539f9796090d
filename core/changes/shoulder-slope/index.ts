import { grainDirection, shapeOf, findPiece } from '../../pattern'
import { findArmholes, HALVES, whyNoArmhole } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sideFields, titleOnSide } from '../shared/one-side'
import type { Field, Handle } from '../types'
import { applyShoulderSlope } from './apply'
import { tipOf } from './held'
import { readShoulderSlope } from './reads'
import { ShoulderSlopeSchema } from './schema'
import { slopePaperSteps } from './paper-steps'

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
  sideOf: (inputs) => inputs.side,
  begin(garment) {
    const none = whyNoArmhole(garment, findArmholes(garment))
    return none ?? ok({ amountMm: 0, armhole: 'kept' })
  },
  fields: (garment): Field[] => [
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
    ...sideFields(garment),
  ],
  describe: (_garment, inputs) => ({
    title: titleOnSide(
      inputs.amountMm === 0 ? 'Squarer or more sloping shoulder' : inputs.amountMm > 0 ? 'Squarer shoulder' : 'More sloping shoulder',
      inputs.side,
    ),
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

export type { ShoulderSlopeInputs } from './schema'
