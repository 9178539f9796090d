import { add, cutPath, line, measureLength, scale, tangentAt, type Path } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'

/**
 * A path begun so far on along itself, or run straight on before its beginning.
 *
 * @param byMm how far on it begins, mm; before its beginning when negative
 * @param leastMm what must be left of it
 * @returns null when less would be left
 */
export function beginAt(path: Path, byMm: number, leastMm: number): Path | null {
  if (Math.abs(byMm) <= SAME_POINT_MM) return path
  const total = measureLength(path)
  if (byMm > 0) return byMm > total - leastMm ? null : cutPath(path, byMm, total)
  const first = path[0]!
  const from = add(first.from, scale(tangentAt(first, 0), byMm))
  // What was straight stays one line.
  return first.kind === 'line' ? [line(from, first.to), ...path.slice(1)] : [line(from, first.from), ...path]
}
