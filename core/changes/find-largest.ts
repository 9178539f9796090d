import { bounded } from '../budget'
import { ok } from '../result'
import { OFFER_STEP_MM } from '../tolerances'

/** Shares of what was found that are looked at too: an amount is only offered together with everything smaller. */
const BELOW = [0.25, 0.5, 0.75]

/** Steps that a search may take: it gives what it has found by then, which is within a millimetre or two of the largest. */
const STEPS = 250_000

/** Rounds of looking below: of an outline that breaks, heals and breaks again, three times is enough. */
const ROUNDS = 3

/**
 * The largest amount, of the asked sign, that works together with everything smaller, in whole half millimetres. Closed in
 * on by halving; where something smaller does not work, below that.
 *
 * @param askedMm an amount that does not work
 * @param works whether a change by this amount, mm, gives sound outlines
 * @returns an amount for which `works` has said yes, or 0 where none was found
 * @example findLargest(40, (mm) => mm <= 25) // 25
 */
export function findLargest(askedMm: number, works: (mm: number) => boolean): number {
  const sign = Math.sign(askedMm)
  const half = (steps: number) => sign * steps * OFFER_STEP_MM
  /** In half millimetres: `good` works, `bad` does not. */
  let good = 0
  let bad = Math.ceil(Math.abs(askedMm) / OFFER_STEP_MM)
  if (!Number.isFinite(bad)) return 0
  bounded(
    'the largest that works',
    () => {
      for (let round = 0; round < ROUNDS; round++) {
        while (bad - good > 1) {
          const middle = Math.floor((good + bad) / 2)
          if (works(half(middle))) good = middle
          else bad = middle
        }
        const broken = BELOW.map((part) => Math.floor(good * part)).find((steps) => steps > 0 && !works(half(steps)))
        if (broken === undefined) break
        bad = broken
        good = 0
      }
      return ok(null)
    },
    STEPS,
  )
  return good === 0 ? 0 : half(good)
}
