import { subtract, unit } from '../../geometry'
import { dartFigures, pieceOfRef, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dartOptions, dartsOf } from '../shared/darts/find-darts'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import type { Handle } from '../types'
import { applyDartIntake } from './apply'
import { intakePaperSteps } from './paper-steps'
import { readDartIntake } from './reads'
import { DartIntakeSchema } from './schema'

const HALF = 0.5

/** Craft 6.11: more or less taken in by a dart. */
export const dartIntake = defineChange({
  kind: 'dart-intake',
  title: 'More or less in a dart',
  foundBy: [
    'dart intake',
    'deeper dart',
    'wider dart',
    'bigger dart',
    'shallower dart',
    'smaller dart',
    'dart takes in too much',
    'dart takes in too little',
  ],
  does: 'Moves the ends of a dart’s legs apart or together along the edge; a straight band that is sewn to it follows.',
  holds: 'The tip, legs alike, every edge but the two beside the dart, the grain.',
  schema: DartIntakeSchema,
  reads: (wish, garment) => readDartIntake(wish, garment),
  mayMend: { 'no-dart': 2 },
  phase: 'widths',
  takesOver: sumOfAmounts,
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const [found] = dartsOf(garment)
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok({ dart: found.ref, amountMm: 0 })
  },
  fields(garment, inputs) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    const nowMm = found && dartFigures(found.piece, shapeOf(found.piece, garment.baseSizeId), found.dart).intakeMm
    return [
      { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
      {
        type: 'growth',
        key: 'amountMm',
        label: 'Between the ends of its legs',
        plus: 'Takes in more',
        minus: 'Takes in less',
        ...(nowMm === undefined ? {} : { nowMm }),
      },
    ]
  },
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'dart that has gone'
    const title = inputs.amountMm === 0 ? `More or less in the ${name}` : `${inputs.amountMm > 0 ? 'Deeper' : 'Shallower'} ${name}`
    return { title, amountMm: inputs.amountMm }
  },
  apply: applyDartIntake,
  handles(_garment, inputs, applied, context): Handle[] {
    const found = dartsOf(applied.garment).find((d) => d.ref === inputs.dart)!
    const d = dartFigures(found.piece, shapeOf(found.piece, context.sizeId), found.dart)
    return [
      {
        id: 'end',
        pieceId: found.piece.id,
        at: d.second,
        axis: unit(subtract(d.second, d.first)),
        label: 'takes in',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
        // The other end goes as far the other way.
        pace: HALF,
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: intakePaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { DartIntakeInputs } from './schema'
