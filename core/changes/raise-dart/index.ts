import { readRaiseDart } from './reads'
import { scale } from '../../geometry'
import { dartFigures, findPiece, grainDirection, pieceOfRef, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { apexOf, dartOptions, dartsOf } from '../shared/darts/find-darts'
import type { Handle } from '../types'
import { asideOf } from './held'
import { mainAmount, RaiseDartSchema } from './schema'
import { applyRaise } from './apply'
import { raiseSteps } from './paper-steps'

/** Craft 6.11 and 9: raise or lower a dart with its apex, or turn it toward one that lies beside it. */
export const raiseDartKind = defineChange({
  kind: 'raise-dart',
  title: 'Raise, lower or turn a dart',
  foundBy: [
    'raise or lower a dart',
    'raise a dart',
    'lower a dart',
    'dart too high',
    'dart too low',
    'bust point lower',
    'apex too high',
    'high bust point',
    'bust points further apart',
    'bust points closer together',
    'turn the dart to the apex',
  ],
  does: 'Slides a dart with its apex up or down along the grain, or turns it to an apex nearer to the side or the centre, and redraws its edge with the dart closed.',
  holds: 'The dart’s angle and direction as it is raised, and where it begins as it is turned; both corners of its edge, every other edge.',
  schema: RaiseDartSchema,
  reads: readRaiseDart,
  phase: 'dart-height',
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found =
      dartsOf(garment).find((d) => dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role === 'side') ??
      dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok({ dart: found.ref, amountMm: 0, asideMm: 0 })
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
    { type: 'growth', key: 'amountMm', label: 'By how much', plus: 'Raise', minus: 'Lower' },
    { type: 'growth', key: 'asideMm', label: 'Its apex aside', plus: 'To the side', minus: 'To the centre' },
  ],
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    const main = mainAmount(inputs)
    const way = inputs[main] < 0
    const title = main === 'asideMm' ? `Turn the ${name} toward the ${way ? 'centre' : 'side'}` : `${way ? 'Lower' : 'Raise'} the ${name}`
    return { title, amountMm: inputs[main] }
  },
  apply: applyRaise,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const at = dartFigures(piece, shape, found.dart).tip
    const apex = apexOf({ ...found, piece })(context.sizeId)
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
      {
        id: 'aside',
        pieceId: piece.id,
        at: apex,
        axis: asideOf(piece, shape, apex, 1),
        label: 'apex',
        valueMm: inputs.asideMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'aside' ? { ...inputs, asideMm: inputs.asideMm + byMm } : { ...inputs, amountMm: inputs.amountMm + byMm },
  paperSteps: raiseSteps,
  withAmount: (_garment, inputs, mm) => ({ ...inputs, [mainAmount(inputs)]: mm }),
})

export type { RaiseDartInputs } from './schema'
