import { measureLength } from '../../geometry'

import { edgePath, findPiece, shapeOf, type Garment, sideLength } from '../../pattern'
import { isStraightBand, isStraightNeckline, neckAngles, SQUARE_DEG, type Neckline } from '../../seams'
import { LENGTH_KEPT_MM, NECK_SQUARE_DEG, RUN_THROUGH_DEG } from '../../tolerances'
import { DEG, lengthToken } from '../../units'
import { bothShapes, holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import type { Caution, HeldPromise } from '../types'
import type { RedrawNecklineInputs } from './schema'
import { follows, isNeckOf } from './sewn-to'

/** The same neckline on the garment after. */
const now = (after: Garment, n: Neckline): Neckline => ({ ...n, piece: findPiece(after, n.piece.id)! })

/** Necklines of front and back that meet across one shoulder seam, each pair once. */
function pairsOf(garment: Garment, necklines: readonly Neckline[]): [Neckline, Neckline][] {
  const isOf = (n: Neckline, run: { pieceId: string; edgeId: string }) =>
    run.pieceId === n.piece.id && [n.shoulders.last, n.shoulders.first].some((s) => s?.edgeId === run.edgeId)
  return necklines
    .filter((n) => n.half === 'front' && !n.facing)
    .flatMap((front): [Neckline, Neckline][] => {
      const back = necklines.find(
        (b) =>
          b.half === 'back' &&
          !b.facing &&
          garment.seams.some((s) => s.sides.flat().some((r) => isOf(front, r)) && s.sides.flat().some((r) => isOf(b, r))),
      )
      return back ? [[front, back]] : []
    })
}

/** How far a neckline turns where it goes on across the shoulder, deg: nothing where front and back run on into each other. */
function turnAcross(garment: Garment, [front, back]: [Neckline, Neckline], sizeId: string): number {
  const of = (n: Neckline) => neckAngles(now(garment, n), shapeOf(findPiece(garment, n.piece.id)!, sizeId)).shoulders[0] ?? Math.PI / 2
  return (of(front) + of(back)) * DEG - 180
}

/**
 * What a redrawn neckline holds: the centre shorter and the shoulders cut by just what was asked, front and back alike; square to
 * the centre and running on across the shoulder as before; every other edge; the seams of shoulder and band.
 */
export function heldByNeckline(
  before: Garment,
  after: Garment,
  necklines: readonly Neckline[],
  inputs: RedrawNecklineInputs,
  sizeId: string,
): HeldPromise[] {
  const body = necklines.filter((n) => !n.facing)
  const changed = body.filter((n) => inputs[`${n.half}Mm`] !== 0 || inputs.widerMm !== 0)
  const own = changed.flatMap((n): HeldPromise[] => {
    const { piece, was, is } = bothShapes(before, after, n.piece.id, sizeId)
    const lost = (edgeId: string) => measureLength(edgePath(was, edgeId)) - measureLength(edgePath(is, edgeId))
    const shoulder = holdMeasure('shoulder shorter by', piece.name, inputs.widerMm, lost(n.shoulders.last.edgeId), LENGTH_KEPT_MM)
    if (!n.centre) return [shoulder]
    const angle = (shape: typeof was) => (neckAngles(n, shape).centre ?? 0) * DEG
    return [
      holdMeasure('centre shorter by', piece.name, inputs[`${n.half}Mm`], lost(n.centre.edgeId), LENGTH_KEPT_MM),
      ...(Math.abs(angle(was) - 90) > SQUARE_DEG
        ? []
        : [holdMeasure('neckline to the centre', piece.name, angle(was), angle(is), NECK_SQUARE_DEG, 'deg')]),
      shoulder,
    ]
  })
  const across = pairsOf(before, body)
    .filter((pair) => pair.some((n) => changed.includes(n) && !isStraightNeckline(n, sizeId)))
    .map((pair) =>
      holdMeasure(
        'neckline across the shoulder, turn',
        `${pair[0].piece.name} to ${pair[1].piece.name}`,
        turnAcross(before, pair, sizeId),
        turnAcross(after, pair, sizeId),
        NECK_SQUARE_DEG,
        'deg',
      ),
    )
  const redrawn = changed.flatMap((n) => [
    ...n.runs,
    ...[n.shoulders.last, n.shoulders.first, n.centre].flatMap((s) => (s ? [{ pieceId: n.piece.id, edgeId: s.edgeId }] : [])),
  ])
  const uneven = new Set(
    before.seams
      .filter((s) => s.sides.flat().some(isNeckOf(necklines)))
      .filter((s) => !follows(before, s.id, necklines, inputs, sizeId))
      .map((s) => s.id),
  )
  return [...own, ...across, ...holdTheRest(before, after, redrawn, sizeId), ...holdSeams(before, after, sizeId, uneven)]
}

/** What is sewn to the neckline and does not follow, with what it lacks; a corner that a straight neckline makes at the shoulder. */
export function necklineCautions(
  before: Garment,
  after: Garment,
  necklines: readonly Neckline[],
  inputs: RedrawNecklineInputs,
  sizeId: string,
): Caution<RedrawNecklineInputs>[] {
  const behind = before.seams.flatMap((seam): Caution<RedrawNecklineInputs>[] => {
    const side = ([0, 1] as const).find((s) => seam.sides[s].some(isNeckOf(necklines)))
    if (side === undefined || follows(before, seam.id, necklines, inputs, sizeId)) return []
    const grewMm = sideLength(after, seam, side, sizeId) - sideLength(before, seam, side, sizeId)
    const other = findPiece(before, seam.sides[side === 0 ? 1 : 0][0]!.pieceId)!
    if (Math.abs(grewMm) <= LENGTH_KEPT_MM) return []
    const words = `must become ${lengthToken(Math.abs(grewMm))} ${grewMm > 0 ? 'longer' : 'shorter'}`
    const isStraight = other.kind === 'band' && isStraightBand(other, shapeOf(other, sizeId))
    return [
      {
        code: 'band-left-behind',
        message: `${other.name} ${words} to fit this neckline${isStraight ? '.' : ': it is curved, so draw it anew along the new neckline.'}`,
        pieceId: other.id,
        ...(isStraight ? { mend: { label: 'Let it follow', inputs: { ...inputs, band: 'follows' } } } : {}),
      },
    ]
  })
  const corners = pairsOf(
    before,
    necklines.filter((n) => !n.facing),
  ).flatMap((pair): Caution<RedrawNecklineInputs>[] => {
    const [was, is] = [turnAcross(before, pair, sizeId), turnAcross(after, pair, sizeId)]
    if (Math.abs(is) <= RUN_THROUGH_DEG || Math.abs(is) <= Math.abs(was) + 1) return []
    return [
      {
        code: 'neck-corner',
        message: `Front and back neckline meet at the shoulder in a corner of ${Math.round(Math.abs(is))} degrees: a straight neckline stays straight here.`,
        pieceId: pair[0].piece.id,
      },
    ]
  })
  return [...behind, ...corners]
}
