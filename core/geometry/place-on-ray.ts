import type { Path, Point } from './types'
import { subtract, turnRad } from './vector'
import { measureLength } from './measure-length'
import { placeAt } from './place-at'

/** Stretches of a path that are looked at for a crossing: finer than any curve of a seam line bends. */
const STRETCHES = 48
/** Halvings that close in on a crossing: far below a rounding of its length. */
const HALVINGS = 60

/** Where a ray from a point meets a path first along the path, mm along it; null where it does not. */
export function placeOnRay(path: Path, from: Point, ray: Point): number | null {
  const total = measureLength(path)
  const side = (mm: number) => turnRad(ray, subtract(placeAt(path, mm).point, from))
  for (let i = 0; i < STRETCHES; i++) {
    let [a, b] = [(total * i) / STRETCHES, (total * (i + 1)) / STRETCHES]
    const [x, y] = [side(a), side(b)]
    if (x === 0) return a
    // Behind the point the angle jumps from half a turn to the other.
    if (Math.sign(x) === Math.sign(y) || Math.abs(x - y) > Math.PI) continue
    for (let k = 0; k < HALVINGS; k++) {
      const middle = (a + b) / 2
      if (Math.sign(side(middle)) === Math.sign(x)) a = middle
      else b = middle
    }
    return (a + b) / 2
  }
  return null
}
