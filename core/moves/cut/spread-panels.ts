import { cutPath, measureLength, scale, type Path, type Point } from '../../geometry'
import { displacePath } from '../displace/displace-path'

/** Halvings of the share between two panels: far below what a ruler shows. */
const HALVINGS = 40

/** A panel's edge let out at one place by some way outward, fading to nothing at both its ends. */
export function bulge(path: Path, atMm: number, outward: Point, byMm: number, measured: Point): Path {
  const total = measureLength(path)
  const none = { x: 0, y: 0 }
  const by = scale(outward, byMm)
  const upper = displacePath(cutPath(path, 0, atMm), measured, none, by, { eased: true })
  const lower = displacePath(cutPath(path, atMm, total), measured, by, none, { eased: true })
  return [...upper, ...lower]
}

/**
 * Shares an amount between the two edges of a princess seam so that both grow alike: then the seam still matches.
 *
 * @param grow how long an edge becomes when it is let out by an amount, mm
 * @returns how much goes to the first edge, mm; half where no share makes them equal
 */
export function shareAlike(amountMm: number, first: (mm: number) => number, second: (mm: number) => number): number {
  const off = (mm: number) => first(mm) - first(0) - (second(amountMm - mm) - second(0))
  let [a, b] = [0, amountMm]
  if (Math.sign(off(a)) === Math.sign(off(b))) return amountMm / 2
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (a + b) / 2
    if (Math.sign(off(middle)) === Math.sign(off(a))) a = middle
    else b = middle
  }
  return (a + b) / 2
}
