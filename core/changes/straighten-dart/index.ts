import { readStraightenDart } from './reads'
import { tipBackMm } from '../../moves'
import { dartFigures, dartIn, findPiece, grainDirection, pieceOfRef, shapeOf, type Edge, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { lengthToken } from '../../units'
import { defineChange } from '../define-change'
import { apexOf, dartOptions, dartsOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { applyMoveDart } from '../shared/darts/apply-move'
import { moveDartSteps } from '../shared/darts/move-steps'
import type { DartMove } from '../shared/darts/dart-move'
import { clearOfArmholeMm } from '../shared/darts/turn-dart'
import type { Applied, Caution, ChangeContext, Handle, Way } from '../types'
import { offCrossGrainDeg, straightPlace } from './place'
import { StraightenDartSchema, type StraightenDartInputs } from './schema'

/** Off the cross-grain by less than this a middle line counts as straight, deg. */
const STRAIGHT_DEG = 0.01

/** The move that straightens a dart, and the edge its line would have run into; refused on a piece without a side. */
function asMove(
  garment: Garment,
  inputs: StraightenDartInputs,
  context: ChangeContext,
): Result<{ found: FoundDart; move: DartMove; into: Edge | null }> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const place = straightPlace(garment, found, inputs, context.sizeId)
  if (!place)
    return refuse(
      'no-side',
      `${found.piece.name}, ${found.dart.name}`,
      'no side seam is found on which the dart could lie.',
      'Name the side seam, or move the dart by hand.',
    )
  const { dart, tipBackMm: back, trued } = inputs
  const move = { dart, edgeId: place.edge.id, atMm: place.atMm, beyondMm: 0, sharePct: 100, tipBackMm: back, trued }
  return ok({ found, move, into: place.into })
}

function applyStraighten(garment: Garment, inputs: StraightenDartInputs, context: ChangeContext): Result<Applied> {
  const asked = asMove(garment, inputs, context)
  if (!asked.ok) return asked
  const { found, move, into } = asked.value
  const applied = applyMoveDart(garment, move, context)
  if (!applied.ok) return applied
  const after = applied.value.garment
  const apex = apexOf(found)(context.sizeId)
  const offDeg = offCrossGrainDeg(after, found.piece.id, found.dart.id, context.sizeId, apex)
  // What a click would do to a move is not what it would do here.
  const cautions = applied.value.cautions.map(({ mend: _, ...c }): Caution => {
    if (c.code === 'near-armhole') return { ...c, mend: lowerIt(after, found, inputs, context) }
    return c.code === 'tip-on-apex' ? { ...c, mend: { label: 'Draw it back', inputs: { ...inputs, tipBackMm: tipBackMm('side') } } } : c
  })
  if (Math.abs(offDeg) > STRAIGHT_DEG) {
    const why = into
      ? `: the cross-grain through the apex runs into the ${into.name}, so the dart lies lower`
      : inputs.lowerMm > 0
        ? `: it was lowered by ${lengthToken(inputs.lowerMm)}`
        : ': that is what half the intake by the ruler misses by'
    cautions.push({
      code: 'off-cross-grain',
      pieceId: found.piece.id,
      message: `The dart’s middle line lies ${Math.abs(offDeg).toFixed(2)} degrees off the cross-grain${why}.`,
      ...(!into && inputs.way === 'ruler' && inputs.lowerMm === 0
        ? { mend: { label: 'Exactly', inputs: { ...inputs, way: 'exact' } } }
        : {}),
    })
  }
  const exact = !into && inputs.way === 'exact' && inputs.lowerMm === 0
  const straight = { label: 'middle line to the cross-grain', where: found.piece.name, before: 0, after: offDeg, unit: 'deg' as const }
  const held = exact
    ? [...applied.value.held, { ...straight, allowed: STRAIGHT_DEG, held: Math.abs(offDeg) <= STRAIGHT_DEG }]
    : applied.value.held
  return ok({ ...applied.value, held, cautions })
}

/** As much lower as keeps an end clear of the armhole. */
function lowerIt(after: Garment, found: FoundDart, inputs: StraightenDartInputs, context: ChangeContext): NonNullable<Caution['mend']> {
  const piece = after.pieces.find((p) => p.id === found.piece.id)!
  const clear = clearOfArmholeMm(piece, shapeOf(piece, context.sizeId), dartIn(piece, found.dart.id))!
  const lowerMm = inputs.lowerMm + Math.ceil(clear.wantedMm - clear.clearMm)
  return { label: 'Lower it', inputs: { ...inputs, lowerMm } }
}

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
  paperSteps(input) {
    const asked = asMove(input.before, input.inputs, input.context)
    return asked.ok ? moveDartSteps({ ...input, inputs: asked.value.move }) : []
  },
})
