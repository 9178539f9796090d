import { shapeOf, type Garment } from '../../pattern'
import { ok, type Result } from '../../result'
import { aboveDart, armholeLength, shoulderEnds, whyNoShoulder } from '../shared/find-shoulders'
import type { ChangeContext } from '../types'
import type { ShoulderWidthInputs } from './schema'

/** Above a dart in the armhole the hinge sits so far down. */
const ABOVE_DART_PART = 0.9

/** How far down the armhole the hinge usually sits, mm (craft 6.8). */
const USUAL_HINGE_MM = 125

/** Where the hinge sits on a short armhole, as a part of it. */
export const USUAL_PART = 0.55

/** A shoulder as it is, its hinge where it usually sits. Refuses: a sleeve cut in one, a dropped shoulder, no shoulder. */
export function beginShoulder(garment: Garment, context: ChangeContext): Result<ShoulderWidthInputs> {
  const none = whyNoShoulder(garment, context.sizeId)
  if (none) return none
  const rooms = garment.pieces.flatMap((p) => {
    const shape = shapeOf(p, context.sizeId)
    // Above a dart in the armhole: the part that swings has to hang together.
    return shoulderEnds(p).map((e) => Math.min(armholeLength(shape, e) * USUAL_PART, aboveDart(p, shape, e) * ABOVE_DART_PART))
  })
  return ok({ amountMm: 0, armhole: 'kept', hingeMm: Math.min(USUAL_HINGE_MM, Math.round(Math.min(...rooms))), leftOut: [] })
}
