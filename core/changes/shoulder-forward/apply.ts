import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { distinctHalves, findArmholes, moveShoulder, settleCapsInSizes, whyNoArmhole } from '../../seams'
import { limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByForward, signOf } from './held'
import { playSlide } from './moves'
import { SLIDE_FROM_MM } from './reads'
import type { ForwardShoulderInputs } from './schema'

/** Bodice and sleeve with the shoulder moved, in every size. */
function moveAll(garment: Garment, inputs: ForwardShoulderInputs): Result<{ garment: Garment }> {
  if (inputs.amountMm === 0) return ok({ garment })
  let drawn = garment
  for (const { half, runs } of distinctHalves(findArmholes(garment)))
    for (const size of garment.sizes) {
      const sign = signOf(half)
      const acrossMm = sign * Math.sign(inputs.amountMm) * inputs.acrossMm
      const moved = moveShoulder(drawn, runs, size.id, { growMm: sign * inputs.amountMm, acrossMm })
      if (!moved.ok) return moved
      drawn = moved.value
    }
  return settleCapsInSizes(garment, drawn, { slideMm: inputs.sleeve === 'slide' ? inputs.amountMm : 0 })
}

/**
 * Moves the outer ends of the shoulder seams to the front (craft 6.10): the back armhole is extended along its own run, the front
 * one shortened by as much, both shoulders keep their lengths and their neck points; the sleeve’s notch, or its whole cap, goes with them.
 * Refuses: a garment without an armhole under a shoulder seam, two darts in one shoulder, an amount that the front armhole has not got
 * or that crosses an outline (with the largest that works).
 */
export function applyForwardShoulder(
  garment: Garment,
  inputs: ForwardShoulderInputs,
  context: ChangeContext,
): Result<Applied<ForwardShoulderInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const armholes = findArmholes(garment)
  const none = whyNoArmhole(garment, armholes)
  if (none) return none
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => moveAll(g, { ...inputs, amountMm }),
    (mm) => `Here the shoulder can go ${limitToken(Math.abs(mm))} ${inputs.amountMm < 0 ? 'back' : 'forward'} at most.`,
    ['darts-in-shoulder'],
  )
  if (!done.ok) return done
  const after = done.value.garment
  return ok({
    garment: after,
    touched: touchedBy(garment, after, [armholes[0]!.back[0]!.pieceId]),
    leftOut: [],
    held: heldByForward(garment, after, armholes, inputs, context.sizeId),
    cautions: cautionsOf(inputs),
    moves: inputs.sleeve === 'slide' && inputs.amountMm !== 0 ? playSlide(garment, inputs.amountMm, context.sizeId) : [],
  })
}

function cautionsOf(inputs: ForwardShoulderInputs): Caution<ForwardShoulderInputs>[] {
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
