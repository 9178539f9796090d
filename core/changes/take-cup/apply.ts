import { findPiece, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import type { Applied, ChangeContext } from '../types'
import { heldByTakeCup } from './held'
import type { TakeCupInputs } from './schema'

/** Every piece that the pattern has for the place of one, in the order they were given. */
export const cupsFor = (garment: Garment, pieceId: string): Piece[] => (garment.cups ?? []).filter((c) => c.id === pieceId)

/** A piece is still as bought when nothing of its lines differs from the pattern's own for that cup. */
function isAsBought(garment: Garment, piece: Piece): boolean {
  const bought = cupsFor(garment, piece.id).find((c) => c.cup === piece.cup)
  return bought !== undefined && JSON.stringify(bought) === JSON.stringify(piece)
}

/**
 * Puts the pattern's own piece for another cup in the place of the one that is there (craft 4: the difference of full and
 * high bust picks it). It is a choice of what is traced: nothing is drawn.
 * Refuses: a piece or cup that has gone, a piece that an earlier stop has changed.
 */
export function applyTakeCup(garment: Garment, inputs: TakeCupInputs, context: ChangeContext): Result<Applied<TakeCupInputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  const cups = cupsFor(garment, inputs.pieceId)
  const taken = cups.find((c) => c.cup === inputs.cup)
  if (!piece || !taken)
    return refuse(
      'reference-gone',
      piece?.name ?? 'piece',
      piece ? `the pattern has no piece for cup ${inputs.cup} in its place.` : 'the piece this was made for has gone.',
      cups.length > 0 ? `It has ${cups.map((c) => c.cup).join(', ')}.` : 'Delete this stop.',
    )
  if (!isAsBought(garment, piece))
    return refuse(
      'changed-before',
      piece.name,
      'an earlier stop has changed it, and the piece for another cup would come without that change.',
      'Move this stop to the beginning of the plan.',
    )
  const after: Garment = { ...garment, pieces: garment.pieces.map((p) => (p === piece ? taken : p)) }
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByTakeCup(garment, after, piece.id, context.sizeId),
    cautions: [],
    ...(taken.darts.length === 1 ? { folded: { pieceId: piece.id, dartId: taken.darts[0]!.id } } : {}),
  })
}
