import { frontsOf } from '../../measure'
import { tipBackMm } from '../../moves'
import { centreLine, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import type { BustAmountInputs } from './schema'

/** The first front whose bust can be changed, with nothing changed yet. */
export function beginBust(garment: Garment): Result<BustAmountInputs> {
  const front = frontsOf(garment)[0]
  if (!front)
    return refuse('no-front', 'garment', 'no front with an armhole and a side seam is found.', 'Name the edges of the front first.')
  if (centreLine(front.piece))
    return refuse(
      'no-front',
      front.piece.name,
      'a front that crosses over is not made fuller at the bust.',
      'Let it out at the side, and draw the wrap past the bust point anew.',
    )
  return ok({ pieceId: front.piece.id, amountMm: 0, waist: 'keep', opening: 'dart', tipBackMm: tipBackMm('side') })
}
