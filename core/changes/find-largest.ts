import { OFFER_STEP_MM } from '../tolerances'

/** Steps in which the way to the asked amount is looked over: what works beyond a place that does not is not offered. */
const STEPS = 32

/**
 * The largest amount, of the asked sign, that works together with everything smaller: the first step that fails is
 * found, then closed in on, then taken down to a whole half millimetre and one more, so that it can be typed and rounded.
 * @param works whether a change by this amount, mm, gives sound outlines
 */
export function findLargest(askedMm: number, works: (mm: number) => boolean): number {
  let good = 0
  let bad = askedMm
  for (let i = 1; i <= STEPS; i++) {
    const mm = (askedMm * i) / STEPS
    if (!works(mm)) {
      bad = mm
      break
    }
    good = mm
  }
  while (Math.abs(bad - good) > OFFER_STEP_MM / 4) {
    const middle = (good + bad) / 2
    if (works(middle)) good = middle
    else bad = middle
  }
  const steps = Math.max(0, Math.floor(Math.abs(good) / OFFER_STEP_MM) - 1)
  return steps === 0 ? 0 : Math.sign(askedMm) * steps * OFFER_STEP_MM
}
