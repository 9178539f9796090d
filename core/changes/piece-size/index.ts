import { readPieceSize } from './reads'
import { partnersIn } from '../shared/partners-in'
import { findPiece } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { applyPieceSize } from './apply'
import { PieceSizeSchema } from './schema'
import { pieceSizeSteps } from './paper-steps'
import { sizeName } from './size-name'

/** Issue of the sizes: the base size chosen piece by piece. */
export const pieceSize = defineChange({
  kind: 'piece-size',
  title: 'Cut a piece in another size',
  foundBy: [
    'another size',
    'cut in size',
    'other size for the skirt',
    'size of a piece',
    'bodice in one size, skirt in another',
    'base size',
  ],
  does: 'Takes a whole piece, and what is sewn to it, in another printed size; across a waist seam the size may change.',
  holds: 'Every edge exactly as printed in that size, the seams between the pieces cut alike, the grain.',
  schema: PieceSizeSchema,
  reads: readPieceSize,
  mayMend: { size: 2, bicep: 1, 'arm-drags': 1, 'sleeve-cap': 3 },
  phase: 'trace',
  leftOut: partnersIn,
  begin(garment) {
    const piece = garment.pieces.find((p) => p.kind !== 'band' && p.kind !== 'sleeve') ?? garment.pieces[0]
    if (!piece || garment.sizes.length < 2)
      return refuse('one-size', 'garment', 'it has one size only.', 'Grade it first, or import it with its sizes.')
    return ok({ pieceId: piece.id, sizeId: garment.baseSizeId, leftOut: [] })
  },
  fields(garment) {
    const options = garment.sizes.map((s) => ({ value: s.id, label: s.id === garment.baseSizeId ? `${s.name} (as it is)` : s.name }))
    return [
      { type: 'piece', key: 'pieceId', label: 'Piece' },
      { type: 'choice', key: 'sizeId', label: 'In size', options },
      { type: 'partners', key: 'leftOut', label: 'Sewn to it' },
    ]
  },
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId, leftOut: [] }),
  describe(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    return { title: `${piece?.name ?? 'A piece that has gone'} in size ${sizeName(garment, inputs.sizeId)}`, amountMm: null }
  },
  apply: applyPieceSize,
  handles: () => [],
  drag: (_garment, inputs) => inputs,
  paperSteps: pieceSizeSteps,
})

export type { PieceSizeInputs } from './schema'
