import { frontsOf } from '../../measure'
import { tipBackMm } from '../../darts'
import { centreLine, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { noFront } from '../shared/no-front'
import type { BustAmountInputs } from './schema'

/** The first front whose bust can be changed, with nothing changed yet. */
export function beginBust(garment: Garment): Result<BustAmountInputs> {
  const front = frontsOf(garment)[0]
  if (!front) return noFront(garment, 'an armhole and a side seam')
  if (centreLine(front.piece))
    return refuse(
      'no-front',
      front.piece.name,
      'a front that crosses over is not made fuller at the bust.',
      'Let it out at the side, and draw the wrap past the bust point anew.',
    )
  return ok({ pieceId: front.piece.id, amountMm: 0, waist: 'keep', opening: 'dart', tipBackMm: tipBackMm('side') })
}
