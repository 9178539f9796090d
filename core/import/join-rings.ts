import { spend } from '../budget'
import { boundsOf, measureArea, measureLength, PointGrid, reversePath, type Path } from '../geometry'
import { endOf, startOf, type Stroke } from './chain-strokes'

/** Marks are no larger than this, mm: a drill hole, the triangle of a notch, the head of an arrow. */
const MARK_MM = 16
/** A ring of more parts is no mark. */
const MOST_PARTS = 200
/** Ends of parts are one place to this, mm. */
const SAME_END_MM = 0.05
/** What goes round covers this part of its box; a slit that is drawn in and out again does not. */
const COVERS = 0.2

/**
 * Small marks that go round, and are drawn part by part, as one closed stroke each: a program that takes a drawing apart leaves a drill hole
 * as some arcs. Only parts of one look that meet each other at their ends, and no other small line there.
 */
export function joinRings(strokes: readonly Stroke[]): Stroke[] {
  const small = strokes.filter((s) => !s.shape.closed && measureLength(s.path) <= 2 * MARK_MM && isSmall(s.path))
  const grid = new PointGrid<Stroke>(SAME_END_MM)
  for (const s of small) {
    grid.add(startOf(s.path), s)
    grid.add(endOf(s.path), s)
  }
  const rings = new Map<Stroke, Stroke>()
  const gone = new Set<Stroke>()
  const tried = new Set<Stroke>()
  for (const first of small) {
    if (tried.has(first)) continue
    const { parts: of, isClosed } = partsOfRing(first, grid)
    // What leads from a line that is no ring leads along it: none of it is walked again.
    of.forEach((s) => tried.add(s.stroke))
    const path = of.flatMap((s) => [...s.path])
    if (!isClosed || !isSmall(path) || !goesRound(path)) continue
    rings.set(first, { shape: { ...first.shape, closed: true }, path, of: of.map((s) => s.stroke) })
    of.forEach((s) => gone.add(s.stroke))
  }
  return strokes.flatMap((s) => rings.get(s) ?? (gone.has(s) ? [] : [s]))
}

function isSmall(path: Path): boolean {
  const b = boundsOf(path)
  return Math.max(b.maxX - b.minX, b.maxY - b.minY) <= MARK_MM
}

function goesRound(path: Path): boolean {
  const b = boundsOf(path)
  return Math.abs(measureArea(path)) > COVERS * (b.maxX - b.minX) * (b.maxY - b.minY)
}

/** The parts that lead from a stroke on, each turned so that it goes on, until they are back at its start, or end elsewhere. */
function partsOfRing(first: Stroke, grid: PointGrid<Stroke>): { parts: { stroke: Stroke; path: Path }[]; isClosed: boolean } {
  const parts = [{ stroke: first, path: first.path }]
  const home = startOf(first.path)
  while (parts.length <= MOST_PARTS) {
    spend()
    const { stroke, path } = parts[parts.length - 1]!
    const tip = endOf(path)
    const there = grid.near(tip)
    if (parts.length > 1 && there.length === 2 && there.includes(first) && Math.hypot(tip.x - home.x, tip.y - home.y) <= SAME_END_MM)
      return { parts, isClosed: true }
    const next = there.find((s) => s !== stroke)
    if (there.length !== 2 || !next || next.shape.style !== first.shape.style) break
    const isTurned = Math.hypot(endOf(next.path).x - tip.x, endOf(next.path).y - tip.y) <= SAME_END_MM
    parts.push({ stroke: next, path: isTurned ? reversePath(next.path) : next.path })
  }
  return { parts, isClosed: false }
}
