import { measureArea, measureLength, nearestPlace, offsetOutline, placeAt } from '../geometry'
import { liesIn, sized, type Sized } from './sized'
import { splitEdges } from './split-edges'

/** A line whose stroke was turned into an area is no wider than this, mm, and alike all the way round to the second. */
const WIDEST_MM = 3.5
const ALIKE_MM = 0.5
const PLACES = 40

/** How far two lines run apart, where they do so evenly; null where they do not. */
function bandMm(inner: Sized, outer: Sized): number | null {
  const total = measureLength(inner.loop)
  const far = Array.from({ length: PLACES }, (_, i) => nearestPlace(outer.loop, placeAt(inner.loop, (total * i) / PLACES).point).distanceMm)
  const [low, high] = [Math.min(...far), Math.max(...far)]
  return high <= WIDEST_MM && high - low <= ALIKE_MM && low > 0 ? (low + high) / 2 : null
}

/**
 * Lines that a program wrote as narrow areas, with an outer and an inner rim, become the line in their middle.
 * @param candidates closed lines, largest first
 * @returns the lines, and those that were rims
 */
export function middleOfBands(candidates: readonly Sized[]): { lines: Sized[]; rims: Sized[] } {
  const rims = new Set<Sized>()
  const lines = candidates.flatMap((outer, i) => {
    if (rims.has(outer) || !outer.stroke.shape.isArea) return [outer]
    const near = (a: number, b: number) => Math.abs(a - b) <= 2 * WIDEST_MM
    for (const inner of candidates.slice(i + 1)) {
      if (rims.has(inner) || !inner.stroke.shape.isArea || inner.stroke.shape.style !== outer.stroke.shape.style) continue
      const [a, b] = [inner.box, outer.box]
      if (!near(a.minX, b.minX) || !near(a.maxX, b.maxX) || !near(a.minY, b.minY) || !near(a.maxY, b.maxY) || !liesIn(inner, outer))
        continue
      const wide = bandMm(inner, outer)
      if (wide === null) continue
      rims.add(inner)
      const edges = splitEdges(inner.loop)
      const loop = offsetOutline(
        edges,
        edges.map(() => wide / 2),
      ).flat()
      return [{ ...sized(outer.stroke, loop, Math.abs(measureArea(loop)), 0, false), notches: [...outer.notches] }]
    }
    return [outer]
  })
  return { lines: lines.filter((l) => !rims.has(l)), rims: [...rims] }
}
