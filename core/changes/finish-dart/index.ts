import { readFinishDart } from './reads'
import { distance } from '../../geometry'
import { dartFigures, findPiece, pieceOfRef, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { apexOf, dartOptions, dartsOf } from '../shared/darts/find-darts'
import type { Handle } from '../types'
import { proposeFinish } from './proposes'
import { FinishDartSchema } from './schema'
import { finishPaperSteps, sideWords } from './paper-steps'
import { applyFinish } from './apply'
import { inputsFor } from './begin'

/** Craft 6.11: finish a dart. */
export const finishDart = defineChange({
  kind: 'finish-dart',
  title: 'Finish a dart',
  foundBy: [
    'finish a dart',
    'draw the tip back',
    'dart tip',
    'dart makes a point',
    'press a dart',
    'dart cap',
    'redraw the legs',
    'dart after lengthening',
  ],
  does: 'Draws the tip back from the apex, rules equal legs from it, and trues the cap for the way it is pressed.',
  holds: 'Every edge but the two beside the dart, the grain; the folded cap lies straight along the edge.',
  schema: FinishDartSchema,
  reads: (wish, garment) => readFinishDart(wish, garment, (dart) => inputsFor(garment, dart)),
  phase: 'finish-darts',
  proposes: proposeFinish,
  // A dart is finished once: the stop that is there does it, with its own tip.
  takesOver: (there, proposed) => (there.dart === proposed.dart ? { ...there, legs: 'equal' as const } : null),
  press: (inputs, to) => ({ ...inputs, pressTo: to }),
  mayMend: { 'dart-pokes': 1 },
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found = dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok(inputsFor(garment, found))
  },
  withField(garment, inputs, key, value) {
    const found = key === 'dart' ? dartsOf(garment).find((d) => d.ref === value) : undefined
    return found ? inputsFor(garment, found) : { ...inputs, [key]: value }
  },
  fields(garment, inputs) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    const shape = found && shapeOf(found.piece, garment.baseSizeId)
    return [
      { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
      {
        type: 'length',
        key: 'tipBackMm',
        label: 'Tip short of the apex',
        hint: 'Usually 1 1/2 in (38 mm) from the side, 2 in (50 mm) from above, 1 in (25 mm) from the waist.',
      },
      {
        type: 'choice',
        key: 'legs',
        label: 'Legs',
        options: [
          { value: 'equal', label: 'both as long as the longer' },
          { value: 'keep', label: 'as they are' },
        ],
      },
      {
        type: 'choice',
        key: 'pressTo',
        label: 'Pressed',
        options: shape
          ? [
              { value: 'before', label: sideWords(found!, shape, 'before') },
              { value: 'after', label: sideWords(found!, shape, 'after') },
            ]
          : [],
      },
    ]
  },
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    return { title: `Finish the ${name}`, amountMm: null }
  },
  apply: applyFinish,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const d = dartFigures(piece, shape, found.dart)
    const apex = apexOf(found)(context.sizeId)
    const mouth = { x: (d.first.x + d.second.x) / 2, y: (d.first.y + d.second.y) / 2 }
    const reach = distance(mouth, apex)
    const axis = { x: (mouth.x - apex.x) / reach, y: (mouth.y - apex.y) / reach }
    return [{ id: 'tip', pieceId: piece.id, at: d.tip, axis, label: 'tip', valueMm: inputs.tipBackMm, isGrowth: false, kind: 'level' }]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, tipBackMm: Math.min(300, Math.max(0, inputs.tipBackMm + byMm)) }),
  paperSteps: finishPaperSteps,
})

export type { FinishDartInputs } from './schema'
