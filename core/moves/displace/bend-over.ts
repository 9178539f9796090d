import { add, cutPath, fitCurve, measureLength, placeAt, rotateAbout, scale, type Path, type Point } from '../../geometry'
import { FIT_MM } from '../../tolerances'
import { easeIn } from './redraw-moved'

/** Steps in which a direction is followed, and the places that the curve is drawn through, mm. */
const STEP_MM = 0.5
const EVERY = 10

/**
 * A path that turns more and more from a place on to its end, its length kept: what a seam does over a hinge when the bend is spread
 * out instead of being made in one place. The direction is followed in small steps (midpoint rule).
 *
 * @param fromMm where it begins to turn; before that it stays as it is
 * @param turnRad how far its end has turned, clockwise on the page positive
 */
export function bendOver(path: Path, fromMm: number, turnRad: number): Path {
  const total = measureLength(path)
  const span = total - fromMm
  if (turnRad === 0 || span <= STEP_MM) return path
  const count = Math.ceil(span / STEP_MM / EVERY) * EVERY
  const step = span / count
  const directionAt = (mm: number): Point => rotateAbout(placeAt(path, fromMm + mm).tangent, { x: 0, y: 0 }, turnRad * easeIn(mm / span))
  const points: Point[] = [placeAt(path, fromMm).point]
  let at = points[0]!
  for (let i = 0; i < count; i++) {
    at = add(at, scale(directionAt((i + 0.5) * step), step))
    if ((i + 1) % EVERY === 0) points.push(at)
  }
  const bent = fitCurve(points, directionAt(0), directionAt(span), FIT_MM)
  return fromMm <= 0 ? bent : [...cutPath(path, 0, fromMm), ...bent]
}
