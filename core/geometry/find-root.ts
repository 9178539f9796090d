import { finite, spend } from '../budget'

/** Rounds of closing in: each at least halves the bracket or follows the chord, so this many leave nothing to find. */
const ROUNDS = 60

/**
 * The argument between two bounds at which a function is nothing: the chord of the bracket, its standing end halved where it
 * stands too long (Illinois rule; Dowell and Jarratt, BIT 11, 1971), within a budget.
 *
 * @param f continuous; of different sign at the two bounds
 * @param allowed how near to nothing is near enough, in the unit of `f`
 * @param known what it is at the bounds, where that is known already
 * @returns the argument, or null where the function does not change its sign between the bounds
 * @example findRoot((x) => x * x - 2, 0, 2, EQUAL_MM) // about 1.414
 */
export function findRoot(
  f: (x: number) => number,
  from: number,
  to: number,
  allowed: number,
  known?: readonly [atFrom: number, atTo: number],
): number | null {
  let [a, b] = [from, to]
  let [fa, fb] = known ?? [finite(f(a)), finite(f(b))]
  if (Math.abs(fa) <= allowed) return a
  if (Math.abs(fb) <= allowed) return b
  if (fa * fb > 0) return null
  for (let round = 0; round < ROUNDS; round++) {
    spend()
    const x = (a * fb - b * fa) / (fb - fa)
    const fx = finite(f(x))
    if (Math.abs(fx) <= allowed) return x
    if (fx * fb < 0) [a, fa] = [b, fb]
    else fa /= 2
    ;[b, fb] = [x, fx]
  }
  return Math.abs(fb) <= allowed ? b : null
}
