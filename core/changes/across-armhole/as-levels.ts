import { halfOf, isBody, type Garment } from '../../pattern'
import type { Across } from '../shared/across'
import type { LevelsInputs } from '../shared/levels/schema'
import type { AcrossArmholeInputs } from './schema'

/**
 * The same change as a line across the pieces of that half: what is sewn to them along their own seams follows, the other half and
 * what is set into the armhole do not.
 */
export function asLevels(garment: Garment, { piece, cornerId }: Across, inputs: AcrossArmholeInputs): LevelsInputs {
  return {
    amountMm: inputs.amountMm,
    pieceId: piece.id,
    levels: [{ id: 'line-1', share: 1, mark: { by: 'corner', id: cornerId }, belowMm: inputs.belowMm }],
    leftOut: garment.pieces
      .filter((p) => p.kind === 'sleeve' || p.kind === 'band' || (isBody(p) && halfOf(p) !== inputs.half))
      .map((p) => p.id),
  }
}
