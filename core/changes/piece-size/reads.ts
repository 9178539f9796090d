import type { Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { askedPieces, isNamed } from '../shared/reading/things'
import type { Reading } from '../types'
import type { PieceSizeInputs } from './schema'

/** Craft 6.6 as it is said: “cut the sleeve in size 5”, “front in size 3”, “the sleeve one size up”. */
export function readPieceSize(wish: Wish, garment: Garment): Reading<PieceSizeInputs>[] {
  const steps = wish.counts.up - wish.counts.down
  const isStep = wish.sizes.length === 0 && steps !== 0
  if ((wish.sizes.length !== 1 && !isStep) || says(wish, 'bust', 'waist', 'hip', 'blending', 'grading')) return []
  const base = garment.sizes.findIndex((s) => s.id === garment.baseSizeId)
  const size = isStep ? garment.sizes[base + steps] : garment.sizes.find((s) => s.name.toUpperCase() === wish.sizes[0]!.name)
  const asked = askedPieces(garment, wish)
  const named = garment.pieces.filter((p) => isNamed(wish, p.name))
  const pieces = named.length > 0 ? named : asked.pieces
  if (!size) return []
  return pieces.map((piece) => ({
    inputs: { pieceId: piece.id, sizeId: size.id, leftOut: [] },
    uses: [...asked.uses, ...used(wish, 'cut', 'size', 'other', 'piece', 'cup')],
    takes: isStep ? ['counts'] : ['sizes'],
    sure: pieces.length === 1 && wish.amounts.length === 0,
  }))
}
