import { readStraightenDart } from './reads'
import { tipBackMm } from '../../darts'
import { dartFigures, dartIn, findPiece, grainDirection, pieceOfRef, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dartOptions, dartsOf } from '../shared/darts/find-darts'
import type { Handle, Way } from '../types'
import { StraightenDartSchema, type StraightenDartInputs } from './schema'
import { applyStraighten } from './apply'
import { straightenSteps } from './paper-steps'

/** Craft 6.11: straighten a dart onto the cross-grain. */
export const straightenDart = defineChange({
  kind: 'straighten-dart',
  title: 'Straighten a dart',
  foundBy: ['straighten a dart', 'angled dart', 'slanted dart', 'dart on the cross-grain', 'french dart', 'level the dart'],
  does: 'Turns a slanted side dart so that its middle line lies on the cross-grain through the apex.',
  holds: 'The dart’s angle, every edge’s length, the grain.',
  schema: StraightenDartSchema,
  reads: readStraightenDart,
  phase: 'place-darts',
  costsAfter: { bust: 'the bust was changed with the dart where it was; what is straightened now is already the larger dart.' },
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found = dartsOf(garment).find((d) => d.piece.edges.some((e) => e.role === 'side'))
    if (!found) return refuse('no-dart', 'garment', 'no piece with a dart and a side seam is found.', 'This is for fronts with a dart.')
    return ok({ dart: found.ref, way: 'exact', lowerMm: 0, tipBackMm: tipBackMm('side'), trued: true })
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
    {
      type: 'choice',
      key: 'way',
      label: 'How',
      options: [
        { value: 'exact', label: 'exactly, by half its angle' },
        { value: 'ruler', label: 'by the ruler, half its intake' },
      ],
    },
    { type: 'length', key: 'lowerMm', label: 'Lower by' },
    { type: 'length', key: 'tipBackMm', label: 'Tip short of the apex' },
    { type: 'switch', key: 'trued', label: 'Redraw the closed place smoothly' },
  ],
  describe(garment, inputs) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    return { title: `Straighten the ${found?.dart.name ?? 'dart'}`, amountMm: null }
  },
  apply: applyStraighten,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const at = dartFigures(piece, shape, dartIn(piece, found.dart.id)).first
    return [
      {
        id: 'lower',
        pieceId: piece.id,
        at,
        axis: grainDirection(shape),
        label: 'lower',
        valueMm: inputs.lowerMm,
        isGrowth: false,
        kind: 'level',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, lowerMm: Math.max(0, inputs.lowerMm + byMm) }),
  choices: (_garment, inputs): Way<StraightenDartInputs>[] => [
    { label: 'exactly, by half its angle', inputs: { ...inputs, way: 'exact' } },
    { label: 'by the ruler, half its intake', inputs: { ...inputs, way: 'ruler' } },
  ],
  paperSteps: straightenSteps,
})
