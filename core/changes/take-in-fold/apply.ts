import { measureLength, placeAt, type Point } from '../../geometry'
import { angleFrom, finishTip, insertDart, takeInFold } from '../../darts'
import { openOut, opensOut } from '../../moves'
import {
  cornersOf,
  dartIn,
  edgeFamily,
  edgePath,
  findPiece,
  marksAlong,
  notchOfMark,
  otherHalf,
  placeFromMark,
  refOf,
  shapeOf,
  type Edge,
  type Garment,
  type Piece,
  type Shape,
  halfNames,
} from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { apexOf, findDart, isRefused, mouthBetween, openEdges, type FoundDart } from '../shared/darts/find-darts'
import { findLargest } from '../find-largest'
import { dartCautions, playTurn } from '../shared/darts/turn-dart'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByFold } from './held'
import type { TakeInFoldInputs } from './schema'

/** The two pins along an edge, mm from its start; null where they lie beside it. */
export function pinsOf(piece: Piece, shape: Shape, inputs: TakeInFoldInputs): { fromMm: number; toMm: number } | null {
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)
  if (!edge) return null
  const length = measureLength(edgePath(shape, edge.id))
  const near = placeFromMark(piece, shape, edge.id, inputs.from, inputs.atMm)
  const far = near.atMm + near.way * inputs.amountMm
  const [fromMm, toMm] = near.way < 0 ? [far, near.atMm] : [near.atMm, far]
  return fromMm < EQUAL_MM || toMm > length - EQUAL_MM ? null : { fromMm, toMm }
}

interface Asked {
  found: FoundDart
  edge: Edge
  apex: (sizeId: string) => Point
  pins: { fromMm: number; toMm: number }
}

function asked(garment: Garment, inputs: TakeInFoldInputs): Result<Asked> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const edge = openEdges(found.piece).find((e) => e.id === inputs.edgeId)
  if (!edge || !marksAlong(found.piece, edge.id).some((m) => m.id === inputs.from))
    return refuse('reference-gone', found.piece.name, 'the edge or mark the fold was measured from has gone.', 'Choose them again.')
  const pins = pinsOf(found.piece, shapeOf(found.piece, garment.baseSizeId), inputs)
  if (!pins)
    return refuse(
      'amount-too-large',
      `${found.piece.name}, ${edge.name}`,
      'the pins would lie beside this edge.',
      'Measure again from the mark.',
    )
  return ok({ found, edge, apex: apexOf(found), pins })
}

function taken(garment: Garment, { found, apex, pins }: Asked, inputs: TakeInFoldInputs): Garment {
  const { piece, dart } = found
  if (inputs.amountMm === 0) return garment
  const mouth = mouthBetween(garment, piece, inputs.edgeId, pins.fromMm, pins.toMm)
  return finishTip(takeInFold(garment, piece.id, dart.id, mouth, apex, true), piece.id, dart.id, apex, inputs.tipBackMm)
}

/**
 * Takes a fold that was pinned in a fitting into a dart (craft 6.11). The pins at the edge decide how wide it is; it aims at
 * the apex; the dart opens by its angle and its legs are made equal.
 * Refuses: a dart, edge or mark that has gone, pins beside their edge, a fold that spoils the outline (with the largest).
 */
export function applyTakeInFold(garment: Garment, inputs: TakeInFoldInputs, context: ChangeContext): Result<Applied<TakeInFoldInputs>> {
  const half = onOneSide(garment, inputs)
  const done = takeIn(half.garment, half.inputs, context)
  if (!done.ok || half.side === null) return done
  const pieceId = done.value.touched[0]!.pieceId
  const own = findDart(garment, inputs.dart)
  const name = isRefused(own) ? '' : own.piece.name
  return ok({
    ...done.value,
    // The half piece that lay there before has not got the half that moves.
    moves: [],
    cautions: [
      {
        code: 'opened-out',
        pieceId,
        message: `${name} is opened out: left and right are cut differently now, and only the half “${half.side}” takes the fold in. Its figures are those of the whole piece.`,
        mend: { label: 'Both sides alike', inputs: { ...inputs, sides: 'both' } },
      },
      ...done.value.cautions,
    ],
  })
}

function takeIn(garment: Garment, inputs: TakeInFoldInputs, context: ChangeContext): Result<Applied<TakeInFoldInputs>> {
  const one = asked(garment, inputs)
  const works = (amountMm: number) => {
    const own = asked(garment, { ...inputs, amountMm })
    return own.ok && findBrokenOutline(garment, taken(garment, own.value, { ...inputs, amountMm })) === null
  }
  if (!one.ok && one.problem.code !== 'amount-too-large') return one
  if (!one.ok || !works(inputs.amountMm)) {
    const largest = findLargest(inputs.amountMm, works)
    const where = one.ok ? `${one.value.found.piece.name}, ${one.value.edge.name}` : one.problem.where
    const what = one.ok ? 'so deep a fold would spoil the outline.' : one.problem.message
    return refuse('amount-too-large', where, what, `At most ${limitToken(largest)} can be taken in from there.`, largest)
  }
  const { found, edge, apex, pins } = one.value
  const { piece, dart } = found
  const was = shapeOf(piece, context.sizeId)
  const at = apex(context.sizeId)
  const after = taken(garment, one.value, inputs)
  const now = findPiece(after, piece.id)!
  const is = shapeOf(now, context.sizeId)
  const slit = insertDart(
    garment,
    piece.id,
    { id: 'fold', name: 'fold' },
    mouthBetween(garment, piece, edge.id, pins.fromMm, pins.toMm),
    apex,
  )
  const wedge = findPiece(slit, piece.id)!
  const fold = dartIn(wedge, 'fold')
  const foldRad = inputs.amountMm > 0 ? angleFrom(at, shapeOf(wedge, context.sizeId), fold) : 0
  const edgeMm = (p: Piece, s: Shape) =>
    p.edges.filter((e) => edgeFamily(e.id) === edgeFamily(edge.id)).reduce((sum, e) => sum + measureLength(edgePath(s, e.id)), 0)
  const cautions: Caution[] = [...dartCautions(after, found, dart.id, at, context.sizeId)]
  if (inputs.amountMm > 0)
    cautions.push({
      code: 'edge-shorter',
      pieceId: piece.id,
      message: `The ${edge.name} becomes ${lengthToken(edgeMm(piece, was) - edgeMm(now, is))} shorter. What is sewn to it must lose as much: look at Match.`,
    })
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByFold(garment, after, { found, edge, pins, amountMm: inputs.amountMm, foldRad }, context.sizeId, at),
    cautions,
    folded: { pieceId: piece.id, dartId: dart.id },
    moves:
      inputs.amountMm === 0
        ? []
        : playTurn(
            wedge,
            shapeOf(wedge, context.sizeId),
            at,
            null,
            new Map([
              ['fold', 0],
              [dart.id, foldRad + angleFrom(at, was, dart)],
            ]),
            `close the fold; the ${dart.name} opens`,
          ),
  })
}

/**
 * The garment on which a fold of one side is taken in, and the inputs that name that side: its piece is opened out, and on
 * the half that was not drawn everything is called after its mirror image. A fold of both sides, or of a piece that has no
 * two halves, is taken in as it is.
 */
export function onOneSide(garment: Garment, inputs: TakeInFoldInputs): { garment: Garment; inputs: TakeInFoldInputs; side: string | null } {
  const found = findDart(garment, inputs.dart)
  if (inputs.sides === 'both' || inputs.amountMm === 0 || isRefused(found) || !opensOut(found.piece)) return { garment, inputs, side: null }
  const { piece, dart } = found
  const names = halfNames(piece, shapeOf(piece, garment.baseSizeId))
  const opened = openOut(garment, piece.id, names)
  if (inputs.sides === 'one') return { garment: opened, inputs, side: names[0] }
  const onFold = piece.edges.find((e) => e.fold)
  const shared = onFold ? Object.values(cornersOf(piece, onFold.id)).map((c) => c.id) : []
  const from = notchOfMark(inputs.from) !== undefined || !shared.includes(inputs.from) ? otherHalf(inputs.from) : inputs.from
  const pieceId = onFold ? piece.id : otherHalf(piece.id)
  return {
    garment: opened,
    inputs: { ...inputs, dart: refOf(pieceId, otherHalf(dart.id)), edgeId: otherHalf(inputs.edgeId), from },
    side: names[1],
  }
}

/** Where the two pins lie, for drawing. */
export const pinPoints = (shape: Shape, edgeId: string, pins: { fromMm: number; toMm: number }) =>
  [placeAt(edgePath(shape, edgeId), pins.fromMm), placeAt(edgePath(shape, edgeId), pins.toMm)] as const
