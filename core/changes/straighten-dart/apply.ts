import { tipBackMm } from '../../darts'
import { type Garment, type Edge, dartIn, shapeOf } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { lengthToken } from '../../units'
import { applyMoveDart } from '../shared/darts/apply-move'
import type { DartMove } from '../shared/darts/dart-move'
import { type FoundDart, apexOf, findDart, isRefused } from '../shared/darts/find-darts'
import { clearOfArmholeMm } from '../shared/darts/turn-dart'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldStraight, STRAIGHT_DEG } from './held'
import { offCrossGrainDeg, straightPlace } from './place'
import type { StraightenDartInputs } from './schema'

/** The move that straightens a dart, and the edge its line would have run into; refused on a piece without a side. */
export function asMove(
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

/** As much lower as keeps an end clear of the armhole. */
function lowerIt(
  after: Garment,
  found: FoundDart,
  inputs: StraightenDartInputs,
  context: ChangeContext,
): NonNullable<Caution<StraightenDartInputs>['mend']> {
  const piece = after.pieces.find((p) => p.id === found.piece.id)!
  const clear = clearOfArmholeMm(piece, shapeOf(piece, context.sizeId), dartIn(piece, found.dart.id))!
  const lowerMm = inputs.lowerMm + Math.ceil(clear.wantedMm - clear.clearMm)
  return { label: 'Lower it', inputs: { ...inputs, lowerMm } }
}

/**
 * Turns a slanted side dart until its middle line lies on the cross-grain through the apex (craft 6.11), exactly or by the ruler.
 * Refuses: a dart that has gone, a piece without a side.
 */
export function applyStraighten(
  garment: Garment,
  inputs: StraightenDartInputs,
  context: ChangeContext,
): Result<Applied<StraightenDartInputs>> {
  const asked = asMove(garment, inputs, context)
  if (!asked.ok) return asked
  const { found, move, into } = asked.value
  const applied = applyMoveDart(garment, move, context)
  if (!applied.ok) return applied
  const after = applied.value.garment
  const apex = apexOf(found)(context.sizeId)
  const offDeg = offCrossGrainDeg(after, found.piece.id, found.dart.id, context.sizeId, apex)
  // What a click would do to a move is not what it would do here.
  const cautions = applied.value.cautions.map(({ mend: _, ...c }): Caution<StraightenDartInputs> => {
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
  const held = [...applied.value.held, ...(exact ? [heldStraight(found, offDeg)] : [])]
  return ok({ ...applied.value, held, cautions })
}
