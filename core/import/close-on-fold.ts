import { spend } from '../budget'
import { measureArea, measureLength, placeAt, reversePath } from '../geometry'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { runsBeside } from './pair-lines'
import { along } from './share-lines'
import { contains, isCalledInner, sized, type Sized } from './sized'

/** A seam line is at least this part as long as the line around it, less its fold. */
const LEAST_PART = 0.4
const LEAST_MM = 150

/**
 * Seam lines that are left open where a piece lies on the fold: a line within a cut line that begins and ends on it, and runs beside
 * it, is closed along it.
 * @param candidates closed lines, largest first
 * @returns the seam lines, closed
 */
export function closeOnFold(candidates: readonly Sized[], strokes: readonly Stroke[]): Sized[] {
  const used = new Set(candidates.flatMap((c) => [c.stroke.path, ...(c.stroke.of ?? []).map((s) => s.path)]))
  const open = strokes.filter(
    (s) => !s.shape.closed && !isCalledInner(s.shape) && !used.has(s.path) && s.path.length >= 3 && measureLength(s.path) >= LEAST_MM,
  )
  return candidates.flatMap((outer) => {
    if (outer.isOpen) return []
    const around = measureLength(outer.loop)
    for (const s of open) {
      const long = measureLength(s.path)
      if (long < LEAST_PART * around || long > around || !contains(outer, placeAt(s.path, long / 2).point)) continue
      spend(outer.loop.length)
      const fold = along({ path: outer.loop }, endOf(s.path), startOf(s.path))
      if (!fold) continue
      const path = [...s.path, { ...fold[0]!, from: endOf(s.path) }, ...fold.slice(1)]
      const closed = [...path.slice(0, -1), { ...path[path.length - 1]!, to: startOf(s.path) }]
      const area = measureArea(closed)
      const seam = sized({ ...s, of: [s] }, area < 0 ? reversePath(closed) : closed, Math.abs(area), 0, false)
      if (seam.area < outer.area && runsBeside(seam, outer)) return [seam]
    }
    return []
  })
}
