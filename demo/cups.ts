import { findKind, type BustAmountInputs } from '../core/changes'
import type { Garment, Piece } from '../core/pattern'
import { findPiece } from '../core/pattern'
import type { Sizing } from '../core/size'

/** Cups of the blouse's front: full bust less high bust up to which each is cut, mm. The draft is cup B. */
export const CUPS: Sizing['cups'] = [
  { name: 'A', upToMm: 25 },
  { name: 'B', upToMm: 55 },
  { name: 'C', upToMm: 85 },
]
/** How far the bust of the half front differs from the draft's, mm. */
const FROM_DRAFT_MM: Record<string, number> = { A: -11, B: 0, C: 13 }

/** A blouse with a front for each cup: made from its own by our fuller or smaller bust, its lower edge as wide as before. */
export function withCups(garment: Garment): Garment {
  const cups = CUPS.map(({ name }): Piece => {
    const inputs: BustAmountInputs = { pieceId: 'front', amountMm: FROM_DRAFT_MM[name]!, waist: 'side', opening: 'dart', tipBackMm: 38 }
    const done = findKind('bust-amount')!.apply(garment, inputs, { sizeId: garment.baseSizeId })
    if (!done.ok) throw new Error(done.problem.message)
    return { ...findPiece(done.value.garment, 'front')!, name: `Front, cup ${name}`, cup: name }
  })
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === 'front' ? cups.find((c) => c.cup === 'B')! : p)), cups }
}
