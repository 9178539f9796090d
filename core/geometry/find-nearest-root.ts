import { findRoot } from './find-root'

/** How far is looked, one after the other, as parts of the most. */
const REACHES = [0.05, 0.1, 0.2, 0.3, 0.45, 0.7, 1]

/**
 * The root of a function nearest to nothing: looked for further and further to both sides, so that of several the first is taken;
 * at each reach first on the side toward which the function was seen to fall. Where the function cannot be worked out (no finite figure) there is nothing to find.
 *
 * @param f worked out at 0 and within the limits
 * @param limits how far is looked upward and downward, both above zero
 * @param allowed how near to nothing is near enough, in the unit of `f`
 * @returns the argument; where there is no root, the value of `f` that came nearest to nothing
 * @example findNearestRoot((x) => x - 3, { plus: 10, minus: 10 }, EQUAL_MM) // { at: 3 }
 */
export function findNearestRoot(
  f: (x: number) => number,
  limits: { plus: number; minus: number },
  allowed: number,
): { at: number } | { closest: number } {
  const zero = f(0)
  if (Math.abs(zero) <= allowed) return { at: 0 }
  if (!Number.isFinite(zero)) return { closest: zero }
  let closest = zero
  let falling = 1
  for (const part of REACHES)
    for (const side of [falling, -falling]) {
      const bound = side * part * (side > 0 ? limits.plus : limits.minus)
      const there = f(bound)
      if (!Number.isFinite(there)) continue
      if (Math.abs(there) < Math.abs(closest)) {
        closest = there
        falling = side
      }
      const found = there * zero > 0 ? null : findRoot(f, 0, bound, allowed, [zero, there])
      if (found !== null) return { at: found }
    }
  return { closest }
}
