import { spend } from '../budget'
import { cutPath, distance, intersectPaths, line, measureLength, PointGrid, reversePath, type Path, type Point } from '../geometry'
import { endOf, startOf, type Stroke } from './chain-strokes'

/** A gap that a hand leaves between two lines of an outline, and how far one may run over the other, mm. */
const GAP_REACH_MM = 5
const OVERRUN_MM = 9
/** Lines that an outline is mended of are at least this long, mm. */
const LEAST_MM = 40
const MOST_MENDS = 24

/** How the next line joins on: both trimmed or bridged, and how wide the gap or the overrun was. */
interface Joint {
  own: Path
  next: Path
  mm: number
  at: Point
}

/** Joins the end of one line to the beginning of another: trimmed where they cross near by, bridged where they nearly meet. */
function joint(own: Path, next: Path): Joint | null {
  const [ownMm, nextMm] = [measureLength(own), measureLength(next)]
  // Only what runs over is looked at: of two long lines of many chords everything else would cross for nothing.
  const before = Math.max(0, ownMm - OVERRUN_MM)
  const [crossing] = intersectPaths(cutPath(own, before, ownMm), cutPath(next, 0, Math.min(OVERRUN_MM, nextMm)))
  if (crossing) {
    const ownTo = before + crossing.firstMm
    const trimmed = cutPath(own, 0, ownTo)
    const rest = cutPath(next, crossing.secondMm, nextMm)
    if (trimmed.length > 0 && rest.length > 0)
      return { own: trimmed, next: rest, mm: Math.max(ownMm - ownTo, crossing.secondMm), at: crossing.point }
  }
  const [a, b] = [endOf(own), startOf(next)]
  const gap = distance(a, b)
  return gap <= GAP_REACH_MM ? { own, next: [line(a, b), ...next], mm: gap, at: a } : null
}

/** An outline that closes when small gaps are bridged and overruns cut off: with the widest of them. */
export interface Mended extends Stroke {
  mended: { mm: number; at: Point }
}

/**
 * Outlines among open lines that nearly meet or run over each other a little.
 * @param open lines that could not be joined end to end
 */
export function mendGaps(open: readonly Stroke[]): Mended[] {
  const long = open.filter((o) => measureLength(o.path) >= LEAST_MM)
  const used = new Set<Stroke>()
  const ends = new PointGrid<{ o: Stroke; isTurned: boolean }>(2 * OVERRUN_MM)
  for (const o of long) {
    ends.add(startOf(o.path), { o, isTurned: false })
    ends.add(endOf(o.path), { o, isTurned: true })
  }
  /** The nearest line that a path may go on with. */
  const nextOf = (path: Path, of: readonly Stroke[]) => {
    for (const { o, isTurned } of ends.near(endOf(path))) {
      spend()
      if (used.has(o) || of.includes(o)) continue
      const j = joint(path, isTurned ? reversePath(o.path) : o.path)
      if (j) return { o, j }
    }
    return null
  }
  const found: Mended[] = []
  for (const first of long) {
    if (used.has(first)) continue
    let path = first.path
    const of = [first]
    let worst = { mm: 0, at: endOf(path) }
    for (let steps = 0; steps < MOST_MENDS; steps++) {
      const closing = of.length > 1 || path.length > 2 ? closed(path) : null
      if (closing) {
        const mended = closing.mm > worst.mm ? { mm: closing.mm, at: closing.at } : worst
        found.push({ shape: first.shape, path: closing.path, of: of.flatMap((o) => o.of ?? [o]), mended })
        of.forEach((o) => used.add(o))
        break
      }
      const next = nextOf(path, of)
      if (!next) break
      path = [...next.j.own, ...next.j.next]
      of.push(next.o)
      if (next.j.mm > worst.mm) worst = { mm: next.j.mm, at: next.j.at }
    }
  }
  return found
}

/** A line closed upon itself, where its two ends nearly meet or cross. */
function closed(path: Path): { path: Path; mm: number; at: Point } | null {
  const half = measureLength(path) / 2
  const [head, tail] = [cutPath(path, 0, half), cutPath(path, half, 2 * half)]
  const met = head.length > 0 && tail.length > 0 ? joint(tail, head) : null
  return met && { path: [...met.own, ...met.next], mm: met.mm, at: met.at }
}
