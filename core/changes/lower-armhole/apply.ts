import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { distinctHalves, findArmholes, moveUnderarm, NO_UNDERARM_MOVE, settleCapsInSizes, underarmEnd, whyNoArmhole } from '../../seams'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, ChangeContext } from '../types'
import { heldByLowering } from './held'
import type { LowerArmholeInputs } from './schema'

/** Every armhole of every size with its underarm moved, and the caps after it. */
function lower(garment: Garment, inputs: LowerArmholeInputs): Result<{ garment: Garment }> {
  if (inputs.amountMm === 0) return ok({ garment })
  let drawn = garment
  for (const { runs } of distinctHalves(findArmholes(garment)))
    for (const size of garment.sizes) {
      const moved = moveUnderarm(drawn, runs, size.id, { ...NO_UNDERARM_MOVE, downMm: inputs.amountMm })
      if (!moved)
        return refuse('amount-too-large', underarmEnd(drawn, runs).piece.name, 'its side seam is too short for that.', 'Ask for less.')
      drawn = moved
    }
  return inputs.cap === 'left' ? ok({ garment: drawn }) : settleCapsInSizes(garment, drawn, { way: inputs.cap })
}

/** Can the armhole be moved like that? What could be done instead is not looked for. */
export function canLower(garment: Garment, inputs: LowerArmholeInputs): boolean {
  const done = lower(garment, inputs)
  return done.ok && findBrokenOutline(garment, done.value.garment) === null
}

/**
 * Lowers or raises the armhole at the side (craft 6.10): the underarm goes along the side seam, front and back alike, the armhole is
 * redrawn to it over most of its curve; the cap follows, or is left.
 * Refuses: a garment without an armhole, an amount that the side seam is too short for, that a cap cannot follow, or that crosses an
 * outline (with the largest that works).
 */
export function applyLowerArmhole(
  garment: Garment,
  inputs: LowerArmholeInputs,
  context: ChangeContext,
): Result<Applied<LowerArmholeInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => lower(g, { ...inputs, amountMm }),
    (mm) => `Here the armhole can be ${inputs.amountMm < 0 ? 'raised' : 'lowered'} by ${limitToken(Math.abs(mm))} at most.`,
  )
  if (!done.ok) return done
  const after = done.value.garment
  const bodies = distinctHalves(armholes).map(({ runs }) => underarmEnd(garment, runs).piece.id)
  return ok({
    garment: after,
    touched: touchedBy(garment, after, bodies),
    leftOut: [],
    held: heldByLowering(garment, after, armholes, inputs, context.sizeId),
    cautions: [],
  })
}
