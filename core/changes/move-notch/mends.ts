import { findPiece, refOf, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { MendOffer, Mismatch } from '../types'
import type { MoveNotchInputs } from './schema'

/** The notch of one side moved, or that of the other, by as much as the two miss each other. */
export function mendNotches(garment: Garment, mismatch: Mismatch): MendOffer<MoveNotchInputs>[] {
  if (mismatch.what !== 'mark') return []
  const { seam: walked, mark } = mismatch
  return ([1, 0] as const).flatMap((side): MendOffer<MoveNotchInputs>[] => {
    const own = mark.pair[side]
    if (!('notchId' in own)) return []
    const piece = findPiece(garment, own.pieceId)!
    const edgeId = piece.notches.find((n) => n.id === own.notchId)!.edgeId
    const run = walked.seam.sides[side].find((r) => r.pieceId === own.pieceId && r.edgeId === edgeId)!
    // Toward the other mark, along the seam; and then along the edge, which the seam may walk the other way.
    const alongSeam = side === 0 ? -mark.offMm : mark.offMm
    return [
      {
        label: `Move the notch on ${piece.name} by ${lengthToken(Math.abs(mark.offMm))}`,
        note: `Lets the notches of the ${walked.seam.name} meet.`,
        tries: [{ notch: refOf(own.pieceId, own.notchId), byMm: run.reversed ? -alongSeam : alongSeam }],
      },
    ]
  })
}
