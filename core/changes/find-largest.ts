import { OFFER_STEP_MM } from '../tolerances'

/**
 * The largest amount, of the asked sign, that works: halved between zero (works) and the asked amount (does not), then
 * taken down to a whole half millimetre so that it can be typed.
 * @param works whether a change by this amount, mm, gives sound outlines
 */
export function findLargest(askedMm: number, works: (mm: number) => boolean): number {
  let good = 0
  let bad = askedMm
  while (Math.abs(bad - good) > OFFER_STEP_MM / 4) {
    const middle = (good + bad) / 2
    if (works(middle)) good = middle
    else bad = middle
  }
  const rounded = Math.sign(askedMm) * Math.floor(Math.abs(good) / OFFER_STEP_MM) * OFFER_STEP_MM
  return rounded === 0 ? 0 : rounded
}
