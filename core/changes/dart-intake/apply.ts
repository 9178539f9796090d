import { widenDart } from '../../darts'
import { mapShapes, surplusOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { settleCapsInSizes } from '../../seams'
import { EQUAL_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { apexOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { dartCautions } from '../shared/darts/turn-dart'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { sleeveSeams } from '../shared/held-pairs'
import { settleBands } from '../shared/settle-bands'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { capsFollow } from './caps-follow'
import { heldByIntake } from './held'
import type { DartIntakeInputs } from './schema'

/** The dart of every size with its mouth wider or narrower; straight bands after the edge that it lies in, and caps after an armhole. */
function widen(garment: Garment, found: FoundDart, amountMm: number): Result<{ garment: Garment }> {
  const { piece, dart } = found
  if (amountMm === 0) return ok({ garment })
  let isShort = false
  const drawn = mapShapes(garment, piece.id, (p, shape) => {
    const wide = widenDart(p, shape, dart, amountMm)
    isShort ||= wide === null
    return wide ?? shape
  })
  if (isShort)
    return refuse(
      'amount-too-large',
      `${piece.name}, ${dart.name}`,
      amountMm < 0 ? 'it does not take in so much.' : 'the edges beside it have not got so much, up to their notches.',
      'Ask for less.',
    )
  const banded = garment.sizes.reduce((g, size) => settleBands(garment, g, size.id, size.id), drawn)
  return capsFollow(garment, found) ? settleCapsInSizes(garment, banded) : ok({ garment: banded })
}

/** Seams whose sides no longer differ by what they did: what is sewn to the edge has to follow. */
function changedSeams(before: Garment, after: Garment, sizeId: string) {
  const sleeves = sleeveSeams(before)
  return before.seams.flatMap((seam) => {
    if (sleeves.has(seam.id)) return []
    const byMm = surplusOf(after, seam, sizeId) - surplusOf(before, seam, sizeId)
    return Math.abs(byMm) > EQUAL_MM ? [{ seam, byMm: Math.abs(byMm) }] : []
  })
}

/**
 * Makes a dart take in more or less (craft 6.11): the ends of its legs go apart or together along the edges beside it, the tip stays.
 * The edge that it lies in becomes shorter or longer; a straight band that is sewn to it follows, and a cap; of other seams it is said.
 * Refuses: a dart that has gone, more than the dart takes in or the edges beside it have (with the largest that works).
 */
export function applyDartIntake(garment: Garment, inputs: DartIntakeInputs, context: ChangeContext): Result<Applied<DartIntakeInputs>> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => {
      const own = findDart(g, inputs.dart)
      return isRefused(own) ? own : widen(g, own, amountMm)
    },
    (mm) => `At most ${limitToken(Math.abs(mm))} ${inputs.amountMm < 0 ? 'less' : 'more'} works here.`,
    ['reference-gone'],
  )
  if (!done.ok) return done
  const after = done.value.garment
  const { piece, dart } = found
  const changed = changedSeams(garment, after, context.sizeId)
  const way = inputs.amountMm > 0 ? 'shorter' : 'longer'
  return ok({
    garment: after,
    touched: touchedBy(garment, after, [piece.id]),
    leftOut: [],
    held: heldByIntake(garment, after, found, { inputs, changed: changed.map((c) => c.seam.id) }, context.sizeId),
    cautions: [
      ...changed.map(({ seam, byMm }): Caution => ({
        code: 'seam-changed',
        pieceId: piece.id,
        message: `In the ${seam.name} ${piece.name} is now ${lengthToken(byMm)} ${way}: what is sewn to it has to give or take as much.`,
      })),
      ...dartCautions(after, found, dart.id, apexOf(found)(context.sizeId), context.sizeId).filter((c) => c.code !== 'tip-on-apex'),
    ],
    folded: { pieceId: piece.id, dartId: dart.id },
  })
}
