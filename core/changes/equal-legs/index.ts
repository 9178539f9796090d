import { readEqualLegs } from './reads'
import { mendLegs } from './mends'
import { subtract, unit } from '../../geometry'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { type FoundDart, dartsOf } from '../shared/darts/find-darts'
import type { Handle } from '../types'
import { applyEqualLegs } from './apply'
import { EqualLegsSchema, type EqualLegsInputs } from './schema'
import { equalLegsPaperSteps, legWords } from './paper-steps'

/** To begin with: the shorter leg grows. */
function inputsFor(garment: Garment, found: FoundDart): EqualLegsInputs {
  const d = dartFigures(found.piece, shapeOf(found.piece, garment.baseSizeId), found.dart)
  return { dart: found.ref, leg: d.firstMm <= d.secondMm ? 'first' : 'second', growMm: 0 }
}

/** Craft 6.11, finish a dart: legs equal. */
export const equalLegs = defineChange({
  kind: 'equal-legs',
  title: 'Make dart legs equal',
  foundBy: ['dart legs', 'equal legs', 'dart legs differ', 'one leg longer', 'dart does not close'],
  does: 'Makes one leg of a dart longer or shorter; the edge beside it follows.',
  holds: 'The tip, the dart’s angle, the other leg and every other edge.',
  schema: EqualLegsSchema,
  reads: (wish, garment) => readEqualLegs(wish, garment, (dart) => inputsFor(garment, dart)),
  phase: 'finish-darts',
  mends: mendLegs,
  begin(garment) {
    const found = dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok(inputsFor(garment, found))
  },
  fields: (garment, inputs) => [
    {
      type: 'choice',
      key: 'dart',
      label: 'Which dart',
      options: dartsOf(garment).map((d) => ({ value: d.ref, label: `${d.piece.name}, ${d.dart.name}` })),
    },
    {
      type: 'choice',
      key: 'leg',
      label: 'Which leg',
      options: (['first', 'second'] as const).map((leg) => ({ value: leg, label: legWords(garment, inputs.dart, leg) })),
    },
    { type: 'growth', key: 'growMm', label: 'By how much', plus: 'Longer', minus: 'Shorter' },
  ],
  describe(garment, inputs) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    return { title: found ? `Equal legs, ${found.piece.name}, ${found.dart.name}` : 'Make dart legs equal', amountMm: inputs.growMm }
  },
  apply: applyEqualLegs,
  handles(_garment, inputs, applied, context): Handle[] {
    const found = dartsOf(applied.garment).find((d) => d.ref === inputs.dart)!
    const d = dartFigures(found.piece, shapeOf(found.piece, context.sizeId), found.dart)
    const at = inputs.leg === 'first' ? d.first : d.second
    return [
      {
        id: 'end',
        pieceId: found.piece.id,
        at,
        axis: unit(subtract(at, d.tip)),
        label: 'leg',
        valueMm: inputs.growMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, growMm: inputs.growMm + byMm }),
  paperSteps: equalLegsPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, growMm: amountMm }),
})
