import { contextOf, findKind, type InputsOf } from '../core/changes'
import { DEFAULT_TOLERANCES } from '../core/match'
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
const FROM_DRAFT_MM: Record<string, number> = { A: -7, B: 0, C: 13 }

/** A blouse with a front for each cup: made from its own by our fuller or smaller bust, its lower edge as wide as before, its dart finished. */
export function withCups(garment: Garment): Garment {
  const context = contextOf(garment, null, null, DEFAULT_TOLERANCES)
  const made = (from: Garment, kind: string, inputs: unknown): Garment => {
    const done = findKind(kind)!.apply(from, inputs, context)
    if (!done.ok) throw new Error(done.problem.message)
    return done.value.garment
  }
  const cups = CUPS.map(({ name }): Piece => {
    const named = { name: `Front for cup ${name}`, cup: name }
    const amountMm = FROM_DRAFT_MM[name]!
    if (amountMm === 0) return { ...findPiece(garment, 'front')!, ...named }
    const inputs: InputsOf<'bust-amount'> = { pieceId: 'front', amountMm, waist: 'side', opening: 'dart', tipBackMm: 38 }
    const spread = made(garment, 'bust-amount', inputs)
    const finished = made(spread, 'finish-dart', { dart: 'front side-dart', tipBackMm: 38, legs: 'equal', pressTo: 'after' })
    return { ...findPiece(finished, 'front')!, ...named }
  })
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === 'front' ? cups.find((c) => c.cup === 'B')! : p)), cups }
}
