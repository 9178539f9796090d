import { cutPath, distance, measureLength, placeAt, tangentAt, turnRad, type Path } from '../geometry'
import { CORNER_DEG, SAME_POINT_MM } from '../tolerances'
import { DEG } from '../units'

/**
 * Parts a closed outline into edges at its corners: places where it turns by more than 18 degrees.
 * An outline without any is parted at its highest and its lowest place.
 */
export function splitEdges(closed: Path, cornerDeg: number = CORNER_DEG): Path[] {
  const n = closed.length
  const corners = closed.flatMap((s, i) => {
    const before = closed[(i + n - 1) % n]!
    const turn = Math.abs(turnRad(tangentAt(before, 1), tangentAt(s, 0))) * DEG
    return turn > cornerDeg ? [i] : []
  })
  if (corners.length < 2) {
    const total = measureLength(closed)
    const places = Array.from({ length: 64 }, (_, i) => (total * i) / 64)
    const height = (mm: number) => placeAt(closed, mm).point.y
    const top = places.reduce((a, b) => (height(b) < height(a) ? b : a))
    const bottom = places.reduce((a, b) => (height(b) > height(a) ? b : a))
    const [a, b] = [Math.min(top, bottom), Math.max(top, bottom)]
    return [
      cutPath(closed, a, b),
      [...cutPath(closed, b, total), ...cutPath(closed, 0, a)].filter((s) => distance(s.from, s.to) > SAME_POINT_MM),
    ]
  }
  return corners.map((start, k) => {
    const end = corners[(k + 1) % corners.length]!
    return end > start ? closed.slice(start, end) : [...closed.slice(start), ...closed.slice(0, end)]
  })
}
