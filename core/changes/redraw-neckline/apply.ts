import type { Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findNecklines, lengthenBand, redrawNecklines, type Neckline } from '../../seams'
import { limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, ChangeContext } from '../types'
import { heldByNeckline, necklineCautions } from './held'
import type { RedrawNecklineInputs } from './schema'
import { bandsOf } from './sewn-to'

const AMOUNTS = ['frontMm', 'backMm', 'widerMm'] as const

/** The amount of the three that is the largest: a smaller neckline is the same with all of them smaller. */
export const mainAmount = (inputs: RedrawNecklineInputs): (typeof AMOUNTS)[number] =>
  AMOUNTS.reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))

/** The same inputs with the largest amount set, the others in their proportion to it. */
export function withMain(inputs: RedrawNecklineInputs, mm: number): RedrawNecklineInputs {
  const main = mainAmount(inputs)
  const part = inputs[main] === 0 ? 0 : mm / inputs[main]
  return { ...inputs, frontMm: inputs.frontMm * part, backMm: inputs.backMm * part, widerMm: inputs.widerMm * part, [main]: mm }
}

/** Every neckline of every size redrawn, and straight bands after it. */
function redraw(garment: Garment, necklines: readonly Neckline[], inputs: RedrawNecklineInputs): Result<{ garment: Garment }> {
  if (AMOUNTS.every((key) => inputs[key] === 0)) return ok({ garment })
  let drawn = garment
  for (const size of garment.sizes) {
    const done = redrawNecklines(drawn, size.id, {
      deeperMm: { front: inputs.frontMm, back: inputs.backMm },
      widerMm: inputs.widerMm,
    })
    if (!done.ok) return done
    drawn = done.value
    if (inputs.band === 'follows')
      for (const band of bandsOf(garment, necklines)) drawn = lengthenBand(garment, drawn, band, size.id) ?? drawn
  }
  return ok({ garment: drawn })
}

/**
 * Redraws a neckline (craft 6.13): deeper or higher at the centre, wider or narrower along both shoulders alike; square to the
 * centre as it was, and running on from front to back across the shoulder. A straight band follows in length, a facing is carried.
 * Refuses: a garment without such a neckline, a dart in it, an amount that centre, shoulder or neckline are too short for, or that
 * crosses an outline (with the largest that works).
 */
export function applyRedrawNeckline(
  garment: Garment,
  inputs: RedrawNecklineInputs,
  context: ChangeContext,
): Result<Applied<RedrawNecklineInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const found = findNecklines(garment)
  if (!found.ok) return found
  const necklines = found.value
  const main = mainAmount(inputs)
  const done = drawOrRefuse(
    garment,
    inputs[main],
    (g, mm) => redraw(g, necklines, withMain(inputs, mm)),
    (mm) =>
      `${main === 'widerMm' ? (mm < 0 ? 'In along the shoulder' : 'Out along the shoulder') : mm < 0 ? 'Higher' : 'Deeper'} by ${limitToken(Math.abs(mm))} at most works here, with the rest in proportion.`,
  )
  if (!done.ok) return done
  const after = done.value.garment
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      necklines.filter((n) => !n.facing).map((n) => n.piece.id),
    ),
    leftOut: [],
    held: heldByNeckline(garment, after, necklines, inputs, context.sizeId),
    cautions: necklineCautions(garment, after, necklines, inputs, context.sizeId),
  })
}
