import { findPiece, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findArmholes, HALVES, moveShoulder, settleCapsInSizes, whyNoArmhole, type Half } from '../../seams'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargestInSizes } from '../find-largest'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByForward } from './held'
import { SLIDE_FROM_MM } from './reads'
import type { ForwardShoulderInputs } from './schema'

/** The back armhole grows by a forward shoulder, the front one gives as much. */
export const signOf = (half: Half): 1 | -1 => (half === 'back' ? 1 : -1)

/** Bodice and sleeve with the shoulder moved, in every size. */
function moveAll(garment: Garment, inputs: ForwardShoulderInputs): Result<Garment> {
  if (inputs.amountMm === 0) return ok(garment)
  let drawn = garment
  for (const armhole of findArmholes(garment))
    for (const size of garment.sizes)
      for (const half of HALVES) {
        const sign = signOf(half)
        const acrossMm = sign * Math.sign(inputs.amountMm) * inputs.acrossMm
        const moved = moveShoulder(drawn, armhole[half], size.id, { growMm: sign * inputs.amountMm, acrossMm })
        if (!moved.ok) return moved
        drawn = moved.value
      }
  const settled = settleCapsInSizes(garment, drawn, { slideMm: inputs.sleeve === 'slide' ? inputs.amountMm : 0 })
  return settled.ok ? ok(settled.value.garment) : settled
}

const works = (garment: Garment, inputs: ForwardShoulderInputs): boolean => {
  const done = moveAll(garment, inputs)
  return done.ok && findBrokenOutline(garment, done.value) === null
}

/**
 * Moves the outer ends of the shoulder seams to the front (craft 6.10): the back armhole is extended along its own run, the front
 * one shortened by as much, both shoulders keep their lengths and their neck points; the sleeve’s notch, or its whole cap, goes with them.
 * Refuses: a garment without an armhole under a shoulder seam, two darts in one shoulder, an amount that the front armhole has not got
 * or that crosses an outline (with the largest that works).
 */
export function applyForwardShoulder(garment: Garment, inputs: ForwardShoulderInputs, context: ChangeContext): Result<Applied> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = moveAll(garment, inputs)
  const broken = done.ok ? findBrokenOutline(garment, done.value) : null
  if (!done.ok && done.problem.code === 'darts-in-shoulder') return done
  if (!done.ok || broken) {
    const largest = findLargestInSizes(garment, inputs.amountMm, (one, mm) => works(one, { ...inputs, amountMm: mm }))
    return refuse(
      'amount-too-large',
      done.ok ? broken!.where : done.problem.where,
      done.ok ? `${broken!.what} by this amount.` : done.problem.message,
      `Here the shoulder can go ${limitToken(Math.abs(largest))} ${inputs.amountMm < 0 ? 'back' : 'forward'} at most.`,
      largest,
    )
  }
  const after = done.value
  const changed = after.pieces.filter((p) => p !== findPiece(garment, p.id))
  const first = armholes[0]!.back[0]!.pieceId
  return ok({
    garment: after,
    touched: (changed.length > 0 ? changed : [findPiece(garment, first)!]).map((p) => ({
      pieceId: p.id,
      how: p.id === first ? ('asked' as const) : ('partner' as const),
      levels: [],
    })),
    leftOut: [],
    held: heldByForward(garment, after, armholes, inputs, context.sizeId),
    cautions: cautionsOf(inputs),
  })
}

function cautionsOf(inputs: ForwardShoulderInputs): Caution[] {
  const far = Math.abs(inputs.amountMm)
  if (inputs.sleeve === 'notch' && far >= SLIDE_FROM_MM)
    return [
      {
        code: 'slide-the-cap',
        message: 'So far forward a moved notch alone leaves the sleeve hanging to the back: slide the whole cap.',
        mend: { label: 'Slide the cap', inputs: { ...inputs, sleeve: 'slide' } },
      },
    ]
  return []
}
