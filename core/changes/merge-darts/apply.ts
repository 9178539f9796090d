import { distance, type Point } from '../../geometry'
import { mergeDarts, equaliseLegs, finishTip, meetMiddles, angleFrom } from '../../darts'
import { dartIn, mapShapes, shapeOf, type Garment } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { lengthToken } from '../../units'
import { type FoundDart, findDart, isRefused, apexOf } from '../shared/darts/find-darts'
import { soundOr, dartCautions, playTurn } from '../shared/darts/turn-dart'
import type { ChangeContext, Applied } from '../types'
import { heldByMerge } from './held'
import type { MergeDartsInputs } from './schema'

/** The dart that closes, the one that takes it, and the apex of both; refused where they are not two darts of one piece. */
export function bothDarts(
  garment: Garment,
  inputs: MergeDartsInputs,
): Result<{ from: FoundDart; into: FoundDart; apex: (sizeId: string) => Point }> {
  const from = findDart(garment, inputs.dart)
  if (isRefused(from)) return from
  const into = findDart(garment, inputs.into)
  if (isRefused(into)) return into
  if (from.piece.id !== into.piece.id || from.dart.id === into.dart.id)
    return refuse('not-two', from.piece.name, 'two darts of one piece are needed.', 'Choose another dart of the same piece.')
  // One place for both: the apex of the dart that stays.
  return ok({ from, into, apex: apexOf(into) })
}

/** Two middle lines that meet further than this from the apex are shown, mm. */
const MEET_MM = 5

/**
 * Closes one dart of a piece and opens another by its angle about one apex (craft 6.11).
 * Refuses: a dart that has gone, two darts that are not of one piece, a turn that spoils the outline.
 */
export function applyMerge(garment: Garment, inputs: MergeDartsInputs, context: ChangeContext): Result<Applied<MergeDartsInputs>> {
  const both = bothDarts(garment, inputs)
  if (!both.ok) return both
  const { from, into, apex } = both.value
  const { piece } = from
  const was = shapeOf(piece, context.sizeId)
  const at = apex(context.sizeId)
  const merged = mergeDarts(garment, piece.id, from.dart.id, into.dart.id, apex, inputs.trued)
  const equal = mapShapes(merged, piece.id, (p, shape) => equaliseLegs(p, shape, dartIn(p, into.dart.id)))
  const after = finishTip(equal, piece.id, into.dart.id, apex, inputs.tipBackMm)
  const broken = soundOr(garment, after, 'Merge the other way round, or move one of the darts first.')
  if (broken) return broken
  const met = meetMiddles(piece, was, from.dart, into.dart)
  const missMm = met ? distance(met, at) : 0
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByMerge(garment, after, { from, into, trued: inputs.trued }, at, context.sizeId),
    cautions: [
      ...dartCautions(after, from, into.dart.id, at, context.sizeId),
      ...(missMm > MEET_MM
        ? [
            {
              code: 'middles-miss',
              pieceId: piece.id,
              message: `The middle lines of the two darts meet ${lengthToken(missMm)} away from the apex: they are turned about the apex all the same.`,
            },
          ]
        : []),
    ],
    folded: { pieceId: piece.id, dartId: into.dart.id },
    moves: playTurn(
      piece,
      was,
      at,
      null,
      new Map([
        [from.dart.id, 0],
        [into.dart.id, angleFrom(at, was, from.dart) + angleFrom(at, was, into.dart)],
      ]),
      `swing the ${from.dart.name} closed`,
    ),
  })
}
