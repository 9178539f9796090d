import { placeAt } from '../../geometry'
import type { WalkedSeam } from '../../match'
import { alongGrain, placeOnSide } from '../../moves'
import { cornersOf, edgePath, findPiece, grainDirection, shapeOf, type Garment, type Piece } from '../../pattern'
import { lengthToken } from '../../units'
import type { ChangeContext, MendOffer, Mismatch } from '../types'
import type { LevelsInputs, Level } from '../shared/levels/schema'

/** A line across the short side in the middle of the stretch, between two marks, where the surplus arises. */
function levelInStretch(garment: Garment, walked: WalkedSeam, short: 0 | 1, sizeId: string): { piece: Piece; level: Level } {
  const stops = [
    { at: 0 },
    ...walked.marks.map((m) => ({ at: short === 0 ? m.firstMm : m.secondMm })),
    { at: walked.sides[short].lengthMm },
  ]
  const sizes = walked.easeByStretch.map((e) => Math.abs(e.surplusMm))
  const k = sizes.indexOf(Math.max(...sizes))
  const place = placeOnSide(garment, walked.seam, short, (stops[k]!.at + stops[k + 1]!.at) / 2, sizeId)
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

/** The short side of a seam lengthened, alone, by what is missing. */
export function mendShortSide(garment: Garment, mismatch: Mismatch, { sizeId }: ChangeContext): MendOffer<LevelsInputs>[] {
  if (mismatch.what !== 'seam') return []
  const { seam: walked } = mismatch
  const short = walked.offMm > 0 ? 1 : 0
  if (new Set(walked.sides[short].parts.map((p) => p.pieceId)).size !== 1) return []
  const { piece, level } = levelInStretch(garment, walked, short, sizeId)
  const amountMm = Math.abs(walked.offMm)
  const leftOut = garment.pieces.filter((p) => p.id !== piece.id).map((p) => p.id)
  return [
    {
      label: `Lengthen ${piece.name} alone by ${lengthToken(amountMm)}`,
      note: `Mends the ${walked.seam.name}.`,
      tries: [{ amountMm, pieceId: piece.id, levels: [level], leftOut }],
    },
  ]
}
