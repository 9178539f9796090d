import { placeAt, alongGrain } from '../../geometry'
import type { WalkedSeam } from '../../match'

import { cornersOf, edgePath, findPiece, grainDirection, shapeOf, type Garment, type Piece, placeOnSide } from '../../pattern'
import { lengthToken } from '../../units'
import type { ChangeContext, MendOffer, Mismatch } from '../types'
import type { LevelsInputs, Level } from '../shared/levels/schema'

/** A line across one side in the middle of the stretch, between two marks, where the surplus arises. */
function levelInStretch(garment: Garment, walked: WalkedSeam, side: 0 | 1, sizeId: string): { piece: Piece; level: Level } {
  const stops = [{ at: 0 }, ...walked.marks.map((m) => ({ at: side === 0 ? m.firstMm : m.secondMm })), { at: walked.sides[side].lengthMm }]
  const sizes = walked.easeByStretch.map((e) => Math.abs(e.surplusMm))
  const k = sizes.indexOf(Math.max(...sizes))
  const place = placeOnSide(garment, walked.seam, side, (stops[k]!.at + stops[k + 1]!.at) / 2, sizeId)
  const piece = findPiece(garment, place.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const path = edgePath(shape, place.edgeId)
  const { start, end } = cornersOf(piece, place.edgeId)
  const ends = [
    { corner: start, at: alongGrain(path[0]!.from, grain) },
    { corner: end, at: alongGrain(path[path.length - 1]!.to, grain) },
  ]
  const upper = ends[0]!.at <= ends[1]!.at ? ends[0]! : ends[1]!
  const belowMm = alongGrain(placeAt(path, place.atMm).point, grain) - upper.at
  return { piece, level: { id: 'line-1', share: 1, mark: { by: 'corner', id: upper.corner.id }, belowMm } }
}

/** One side of a seam made to match the other, alone: the short one longer, or the long one shorter. */
export function mendSide(garment: Garment, mismatch: Mismatch, { sizeId }: ChangeContext): MendOffer<LevelsInputs>[] {
  if (mismatch.what !== 'seam') return []
  const { seam: walked } = mismatch
  const long = walked.offMm > 0 ? 0 : 1
  return ([1 - long, long] as (0 | 1)[]).flatMap((side): MendOffer<LevelsInputs>[] => {
    if (new Set(walked.sides[side].parts.map((p) => p.pieceId)).size !== 1) return []
    const { piece, level } = levelInStretch(garment, walked, side, sizeId)
    const offMm = Math.abs(walked.offMm)
    const leftOut = garment.pieces.filter((p) => p.id !== piece.id).map((p) => p.id)
    return [
      {
        label: `${side === long ? 'Shorten' : 'Lengthen'} ${piece.name} alone by ${lengthToken(offMm)}`,
        note: `Evens the ${walked.seam.name}: ${piece.name} alone was ${side === long ? 'longer' : 'shorter'} there.`,
        tries: [{ amountMm: side === long ? -offMm : offMm, pieceId: piece.id, levels: [level], leftOut }],
      },
    ]
  })
}
