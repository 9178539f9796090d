import type { Garment } from '../../pattern'
import { bodyLengths } from '../../size'
import { LEFT_OVER } from '../left-over'
import { acrossOf, goodPlace, mostAcrossMm } from '../shared/across'
import type { AskedByBody } from '../types'
import type { AcrossArmholeInputs } from './schema'

/** Less than this is left as it is, mm: within how exactly a body is measured. */
const LEAST_MM = 2

/**
 * A front that is still too long from shoulder to waist, once its side dart has given what it can: the length is taken out above the
 * bust, where side and waist do not feel it. A front that is too short gets its length at the bust.
 */
export function proposeAcross(garmentNow: () => Garment, { context }: AskedByBody): { inputs: AcrossArmholeInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'front-to-waist')
  if (!row || row.missingMm === null || row.missingMm > -LEAST_MM) return []
  const across = acrossOf(garment, 'front').find((a) => a.piece.id === row.pieceId)
  // A body that wants more was likely measured otherwise: no plan cuts an armhole to pieces.
  const mostMm = mostAcrossMm(garment, 'front', row.pieceId)
  if (!across || mostMm === 0) return []
  const note = 'Front, shoulder to waist: longer than the body, and its side keeps its length.'
  return [
    {
      inputs: { half: 'front', belowMm: goodPlace(garment, across).belowMm, amountMm: Math.max(row.missingMm, -mostMm) },
      note: row.missingMm < -mostMm ? `${note} ${LEFT_OVER}` : note,
    },
  ]
}
