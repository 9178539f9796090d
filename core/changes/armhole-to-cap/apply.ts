import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import {
  armholesWithSleeve,
  fitArmholes,
  HALVES,
  measureArmhole,
  sameSleeve,
  settleCapMarks,
  underarmEnd,
  type ArmholeFit,
  type SleevedArmhole,
} from '../../seams'
import { lengthToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByArmholes } from './held'
import type { ArmholeToCapInputs } from './schema'

/** Armholes of every size as long as their caps ask for; and how the underarm went in each. */
export function armholesFollow(
  garment: Garment,
  inputs: ArmholeToCapInputs,
  context: ChangeContext,
): Result<{ garment: Garment; fits: Map<string, ArmholeFit['moves']> }> {
  const bought = context.bought ?? garment
  const was = armholesWithSleeve(bought)
  const is = armholesWithSleeve(garment)
  if (!is.ok) return is
  const fits = new Map<string, ArmholeFit['moves']>()
  let drawn = garment
  const boughtOf = (armhole: SleevedArmhole) => sameSleeve(was.ok ? was.value : [], armhole.sleeve)
  const known = is.value.filter(boughtOf)
  for (const size of garment.sizes) {
    const sizeBought = bought.sizes.some((s) => s.id === size.id) ? size.id : bought.baseSizeId
    const wanted = (armhole: SleevedArmhole) => {
      const { ease } = measureArmhole(bought, boughtOf(armhole)!, sizeBought)
      const { cap } = measureArmhole(garment, armhole, size.id)
      return { front: cap.front - ease.front - inputs.frontMm, back: cap.back - ease.back - inputs.backMm }
    }
    const fitted = fitArmholes(drawn, known, size.id, wanted, inputs.way)
    if (!fitted.ok) return fitted
    drawn = known.reduce((g, armhole) => settleCapMarks(bought, g, armhole, sizeBought, size.id), fitted.value.garment)
    fits.set(size.id, fitted.value.moves)
  }
  return ok({ garment: drawn, fits })
}

/**
 * Makes armholes follow their caps (craft 6.10): front and back each so long that the ease is what it was as bought, or so much more
 * or less; the underarm lowered along the side seam, or lowered and moved outward with the side blended to its lower end.
 * Refuses: a garment without a sleeve sewn into an armhole, a length that the side seam has no room for.
 */
export function applyArmholeToCap(
  garment: Garment,
  inputs: ArmholeToCapInputs,
  context: ChangeContext,
): Result<Applied<ArmholeToCapInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return pairs
  const done = armholesFollow(garment, inputs, context)
  if (!done.ok) return done
  const { garment: after, fits } = done.value
  const broken = findBrokenOutline(garment, after)
  if (broken) return refuse('amount-too-large', broken.where, `${broken.what} by this.`, 'Let the cap follow the armhole instead.')
  const ends = pairs.value.flatMap((a) => HALVES.map((half) => underarmEnd(garment, a[half])))
  const redrawn = ends.flatMap((e) => [...e.armhole, ...e.side.map((s) => ({ ...s, pieceId: e.piece.id }))])
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      ends.map((e) => e.piece.id),
    ),
    leftOut: [],
    held: heldByArmholes(garment, after, inputs, redrawn, context),
    cautions: whatMoved(fits.get(context.sizeId)),
    setsEase: true,
  })
}

function whatMoved(moves: ArmholeFit['moves'] | undefined): Caution[] {
  if (!moves) return []
  const { downMm, outMm } = moves.front
  if (downMm === 0 && outMm === 0) return []
  const down = `The underarm went ${lengthToken(Math.abs(downMm))} ${downMm > 0 ? 'down' : 'up'} along the side seam`
  const out =
    outMm === 0
      ? ''
      : ` and ${lengthToken(Math.abs(outMm))} ${outMm > 0 ? 'outward, which gives room at the bust' : 'inward, which takes room at the bust'}`
  return [{ code: 'underarm-moved', message: `${down}${out}.` }]
}
