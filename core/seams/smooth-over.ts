import { cutPath, fitCurve, measureLength, placeAt, type Path } from '../geometry'
import { edgePath, type Edge, type Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'

/** Places that a stretch is redrawn through. */
const SAMPLES = 24
/** A stretch keeps this far from the ends of its run, as a part of it. */
const FROM_ENDS = 0.12
/** The redrawn line leaves the one before it by no more than this part of its own length: then it is drawn in two. */
const LEAVES_PART = 0.04

/**
 * A run of edges drawn anew over a place where it was opened or closed: in one curve over a reach to both sides, as a hand draws it,
 * in place of a short piece between two that were kept. Straight lines are left.
 *
 * @param edges neighbours, in outline order
 * @param atMm the place, along the run
 * @param reachMm how far to each side
 */
export function smoothOver(shape: Shape, edges: readonly Edge[], atMm: number, reachMm: number): Shape {
  const path: Path = edges.flatMap((e) => [...edgePath(shape, e.id)])
  const total = measureLength(path)
  const from = Math.max(total * FROM_ENDS, atMm - reachMm)
  const to = Math.min(total * (1 - FROM_ENDS), atMm + reachMm)
  if (to - from <= SAME_POINT_MM) return shape
  const stretch = cutPath(path, from, to)
  if (stretch[0]!.kind === 'line' || stretch[stretch.length - 1]!.kind === 'line') return shape
  const length = to - from
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => placeAt(stretch, (length * i) / SAMPLES).point)
  const fitted = fitCurve(points, placeAt(path, from).tangent, placeAt(path, to).tangent, length * LEAVES_PART)
  const fittedMm = measureLength(fitted)
  const whole: Path = [...cutPath(path, 0, from), ...fitted, ...cutPath(path, to, total)]
  /** Where a place of the run lies on the new one. */
  const now = (mm: number) => (mm <= from ? mm : mm >= to ? mm - length + fittedMm : from + ((mm - from) * fittedMm) / length)
  let walked = 0
  const drawn = edges.map((e): [string, Path] => {
    const start = walked
    walked += measureLength(edgePath(shape, e.id))
    return [e.id, cutPath(whole, now(start), now(walked))]
  })
  return { ...shape, edges: { ...shape.edges, ...Object.fromEntries(drawn) } }
}
