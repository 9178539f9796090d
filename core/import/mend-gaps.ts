import { spend } from '../budget'
import {
  cutPath,
  distance,
  dot,
  intersectPaths,
  line,
  measureLength,
  PointGrid,
  reversePath,
  subtract,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { GAP_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'

/** A gap that a hand leaves between two lines of an outline, and how far one may run over the other, mm. */
const GAP_REACH_MM = 5
const OVERRUN_MM = 9
/** Lines that an outline is mended of are at least this long, mm. */
const LEAST_MM = 40
const MOST_MENDS = 24

/** Dashes that were written one by one: no longer than this, the gaps between them no wider, mm, going on in one direction. */
const DASH_MM = 16
const DASH_GAP_MM = 9
const GOES_ON = 0.86
const LEAST_DASHES = 8

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

/** Dashes that a program wrote one by one, as the lines that they make; all other strokes stay as they are. */
export function joinDashes(open: readonly Stroke[]): Stroke[] {
  // A dash stands alone: what touches another end to end is a chord of a curve.
  const ends = new PointGrid<Stroke>(GAP_MM)
  for (const o of open) {
    ends.add(startOf(o.path), o)
    ends.add(endOf(o.path), o)
  }
  const isAlone = (o: Stroke) => [startOf(o.path), endOf(o.path)].every((p) => ends.near(p).every((other) => other === o))
  const dashes = open.filter((o) => o.path.length <= 4 && measureLength(o.path) <= DASH_MM && isAlone(o))
  if (dashes.length < LEAST_DASHES) return [...open]
  const grid = new PointGrid<Stroke>(DASH_GAP_MM)
  for (const d of dashes) {
    grid.add(startOf(d.path), d)
    grid.add(endOf(d.path), d)
  }
  const used = new Set<Stroke>()
  const joined: Stroke[] = []
  const next = (path: Path, style: string): { d: Stroke; led: Path } | null => {
    const tip = endOf(path)
    const leaving = unit(subtract(tip, path[path.length - 1]!.from))
    for (const d of grid.near(tip)) {
      spend()
      if (used.has(d) || d.shape.style !== style) continue
      const led = distance(startOf(d.path), tip) <= distance(endOf(d.path), tip) ? d.path : reversePath(d.path)
      const gap = subtract(startOf(led), tip)
      const along = unit(subtract(endOf(led), startOf(led)))
      const isAhead = dot(unit(gap), leaving) >= GOES_ON
      if (isAhead && dot(along, leaving) >= GOES_ON) return { d, led }
    }
    return null
  }
  for (const first of dashes) {
    if (used.has(first)) continue
    const of = [first]
    used.add(first)
    let path = first.path
    for (const turned of [false, true]) {
      if (turned) path = reversePath(path)
      for (let found = next(path, first.shape.style); found; found = next(path, first.shape.style)) {
        used.add(found.d)
        of.push(found.d)
        path = [...path, line(endOf(path), startOf(found.led)), ...found.led]
      }
    }
    if (of.length >= LEAST_DASHES) joined.push({ shape: { ...first.shape, isDashed: true }, path, of })
    else of.forEach((o) => used.delete(o))
  }
  const taken = new Set(joined.flatMap((j) => j.of ?? []))
  return [...open.filter((o) => !taken.has(o)), ...joined]
}
