import { spend } from '../budget'
import { line } from './segment'
import type { Line, Path, Point } from './types'
import { cross, distance, dot, subtract } from './vector'

/** How far a point lies from a chord, mm; from its nearer end where it lies beside it. */
function offChord(p: Point, a: Point, b: Point): number {
  const chord = subtract(b, a)
  const length = distance(a, b)
  const along = length === 0 ? -1 : dot(subtract(p, a), chord) / length
  if (along < 0) return distance(p, a)
  return along > length ? distance(p, b) : Math.abs(cross(chord, subtract(p, a))) / length
}

/** The points of a run of chords that are needed to stay within a tolerance of it (Douglas and Peucker, 1973). */
function needed(points: readonly Point[], toleranceMm: number): Point[] {
  const keep = new Set([0, points.length - 1])
  const open: [number, number][] = [[0, points.length - 1]]
  for (let span = open.pop(); span; span = open.pop()) {
    const [from, to] = span
    spend(to - from)
    let worst = toleranceMm
    let at = -1
    for (let i = from + 1; i < to; i++) {
      const off = offChord(points[i]!, points[from]!, points[to]!)
      if (off > worst) [worst, at] = [off, i]
    }
    if (at < 0) continue
    keep.add(at)
    open.push([from, at], [at, to])
  }
  return points.filter((_, i) => keep.has(i))
}

/**
 * The same line with fewer chords: runs of straight parts within a tolerance of the line; curves stay as they are.
 *
 * @param toleranceMm how far the new line may run from the old one, mm
 */
export function thinOut(path: Path, toleranceMm: number): Path {
  const out: Path[number][] = []
  let run: Line[] = []
  const finish = () => {
    if (run.length === 0) return
    const points = needed([run[0]!.from, ...run.map((s) => s.to)], toleranceMm)
    for (let i = 1; i < points.length; i++) out.push(line(points[i - 1]!, points[i]!))
    run = []
  }
  for (const s of path)
    if (s.kind === 'line') run.push(s)
    else {
      finish()
      out.push(s)
    }
  finish()
  return out
}

/**
 * A line whose straight parts that go on in one direction are one each: as it was before it was cut at the edge of a page.
 *
 * @param toleranceMm how far what lies between may be from the new part, mm
 */
export function joinStraight(path: Path, toleranceMm: number): Path {
  const out: Path[number][] = []
  /** Where the parts met that the last one of the new line is joined of. */
  let between: Point[] = []
  for (const s of path) {
    const last = out[out.length - 1]
    const goesOn =
      last?.kind === 'line' && s.kind === 'line' && [...between, last.to].every((p) => offChord(p, last.from, s.to) <= toleranceMm)
    spend(between.length + 1)
    between = goesOn ? [...between, last.to] : []
    if (goesOn) out[out.length - 1] = line(last.from, s.to)
    else out.push(s)
  }
  return out
}
