import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findArmholes, HALVES, moveUnderarm, NO_UNDERARM_MOVE, settleCapsInSizes, underarmEnd, whyNoArmhole } from '../../seams'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargestInSizes } from '../find-largest'
import type { Applied, ChangeContext } from '../types'
import { heldByLowering } from './held'
import type { LowerArmholeInputs } from './schema'

/** Every armhole of every size with its underarm moved, and the caps after it. */
function lower(garment: Garment, inputs: LowerArmholeInputs): Result<Garment> {
  if (inputs.amountMm === 0) return ok(garment)
  let drawn = garment
  for (const armhole of findArmholes(garment))
    for (const size of garment.sizes)
      for (const half of HALVES) {
        const moved = moveUnderarm(drawn, armhole[half], size.id, { ...NO_UNDERARM_MOVE, downMm: inputs.amountMm })
        if (!moved)
          return refuse(
            'amount-too-large',
            underarmEnd(drawn, armhole[half]).piece.name,
            'its side seam is too short for that.',
            'Ask for less.',
          )
        drawn = moved
      }
  if (inputs.cap === 'left') return ok(drawn)
  const settled = settleCapsInSizes(garment, drawn, { way: inputs.cap })
  return settled.ok ? ok(settled.value.garment) : settled
}

const works = (garment: Garment, inputs: LowerArmholeInputs): boolean => {
  const done = lower(garment, inputs)
  return done.ok && findBrokenOutline(garment, done.value) === null
}

/**
 * Lowers or raises the armhole at the side (craft 6.10): the underarm goes along the side seam, front and back alike, the armhole is
 * redrawn to it from its notch; the cap follows, or is left.
 * Refuses: a garment without an armhole, an amount that the side seam is too short for, that a cap cannot follow, or that crosses an
 * outline (with the largest that works).
 */
export function applyLowerArmhole(garment: Garment, inputs: LowerArmholeInputs, context: ChangeContext): Result<Applied> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = lower(garment, inputs)
  const broken = done.ok ? findBrokenOutline(garment, done.value) : null
  if (!done.ok || broken) {
    const largest = findLargestInSizes(garment, inputs.amountMm, (one, amountMm) => works(one, { ...inputs, amountMm }))
    return refuse(
      'amount-too-large',
      done.ok ? broken!.where : done.problem.where,
      done.ok ? `${broken!.what} by this amount.` : done.problem.message,
      `Here the armhole can be ${inputs.amountMm < 0 ? 'raised' : 'lowered'} by ${limitToken(Math.abs(largest))} at most.`,
      largest,
    )
  }
  const after = done.value
  const bodies = new Set(armholes.flatMap((a) => HALVES.map((h) => underarmEnd(garment, a[h]).piece.id)))
  const changed = after.pieces.filter((p) => !garment.pieces.includes(p)).map((p) => p.id)
  return ok({
    garment: after,
    touched: [...new Set([...bodies, ...changed])].map((pieceId, i) => ({
      pieceId,
      how: i === 0 ? ('asked' as const) : ('partner' as const),
      levels: [],
    })),
    leftOut: [],
    held: heldByLowering(garment, after, armholes, inputs, context.sizeId),
    cautions: [],
  })
}
