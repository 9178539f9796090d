import { bounded } from '../budget'
import { takeSize, type Garment } from '../pattern'
import { ok } from '../result'
import { OFFER_STEP_MM } from '../tolerances'

/** Shares of what was found that are looked at too: an amount is only offered together with everything smaller. */
const BELOW = [0.25, 0.5, 0.75]

/** Steps that a search may take: it gives what it has found by then, which is within a millimetre or two of the largest. */
const STEPS = 250_000

/** Steps for the search in every size: what is found by then holds in those that were looked at. */
const STEPS_IN_SIZES = 350_000

/** Rounds of looking below: of an outline that breaks, heals and breaks again, three times is enough. */
const ROUNDS = 3

/** The part of what is asked that is tried first: of an amount far too large, most of the way would be looked for in vain. */
const FIRST_PART = 16

/**
 * The largest amount, of the asked sign, that works together with everything smaller, in whole half millimetres. Doubled from
 * a small one until it fails, then closed in on by halving; where something smaller does not work, below that.
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
      for (let first = Math.max(1, Math.floor(bad / FIRST_PART)); first < bad; first *= 2) {
        if (works(half(first))) good = first
        else bad = first
      }
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

/**
 * The largest amount that works in every size of a garment: each is looked at by itself, which is a fraction of the work where
 * what one found holds in most of the others.
 *
 * @param works whether a change by this amount, mm, gives sound outlines of a garment that has one size
 */
export function findLargestInSizes(garment: Garment, askedMm: number, works: (one: Garment, mm: number) => boolean): number {
  let largest = askedMm
  bounded(
    'the largest that works',
    () => {
      for (const size of garment.sizes) {
        const one = takeSize(garment, size.id)
        if (!works(one, largest)) largest = findLargest(largest, (mm) => works(one, mm))
      }
      return ok(null)
    },
    STEPS_IN_SIZES,
  )
  return largest
}
