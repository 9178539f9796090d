import { readRaiseDart } from './reads'
import { scale } from '../../geometry'
import { dartFigures, findPiece, grainDirection, pieceOfRef, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dartOptions, dartsOf } from '../shared/darts/find-darts'
import type { Handle } from '../types'
import { RaiseDartSchema } from './schema'
import { applyRaise } from './apply'
import { raiseSteps } from './paper-steps'

/** Craft 6.11: raise or lower a dart with its apex. */
export const raiseDartKind = defineChange({
  kind: 'raise-dart',
  title: 'Raise or lower a dart',
  foundBy: ['raise a dart', 'lower a dart', 'dart too high', 'dart too low', 'bust point lower', 'apex too high', 'high bust point'],
  does: 'Slides a dart with its apex up or down along the grain and redraws its edge with the dart closed.',
  holds: 'The dart’s angle and direction, both corners of its edge, every other edge.',
  schema: RaiseDartSchema,
  reads: readRaiseDart,
  phase: 'dart-height',
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found =
      dartsOf(garment).find((d) => dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role === 'side') ??
      dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok({ dart: found.ref, amountMm: 0 })
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
    { type: 'growth', key: 'amountMm', label: 'By how much', plus: 'Raise', minus: 'Lower' },
  ],
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    return { title: `${inputs.amountMm < 0 ? 'Lower' : 'Raise'} the ${name}`, amountMm: inputs.amountMm }
  },
  apply: applyRaise,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const at = dartFigures(piece, shape, found.dart).tip
    return [
      {
        id: 'amount',
        pieceId: piece.id,
        at,
        axis: scale(grainDirection(shape), -1),
        label: 'dart',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: raiseSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { RaiseDartInputs } from './schema'
