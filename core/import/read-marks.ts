import { boundsOf, distance, isStraightPath, measureLength, nearestPlace, type Path, type Point } from '../geometry'
import type { FoundOutline } from './find-outlines'

/** Longest mark that can be a notch, and how near to the outline it must begin, mm. */
const NOTCH_LENGTH_MM = 16
const NOTCH_REACH_MM = 2

/** A drawn line that bends by less than this was meant to be straight, mm. */
const STRAIGHT_MARK_MM = 0.5

export interface ReadMarks {
  grain: { from: Point; to: Point } | null
  /** Points on the outline, mm, where a notch mark touches it. */
  notches: Point[]
  lines: { name: string; path: Path }[]
}

/**
 * Tells grain, notches and inner lines among the marks of an outline: a short stroke that touches the outline is a notch;
 * the grain is the line that says so, else the longest straight one inside; all others are inner lines.
 */
export function readMarks(outline: FoundOutline): ReadMarks {
  const notches: Point[] = []
  const inner: { name: string; path: Path; called: string }[] = []
  for (const mark of outline.marks) {
    const ends = [mark.path[0]!.from, mark.path[mark.path.length - 1]!.to]
    const length = measureLength(mark.path)
    if (length <= NOTCH_LENGTH_MM) {
      const near = ends.map((e) => nearestPlace(outline.path, e)).reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
      if (near.distanceMm <= NOTCH_REACH_MM && notches.every((n) => distance(n, near.point) > NOTCH_REACH_MM)) notches.push(near.point)
      continue
    }
    const called = [mark.name, ...mark.groups].join(' ').toLowerCase()
    // One stroke with a bend, as a dart's two legs are often drawn, is two lines.
    const bent = mark.path.length === 2 && mark.path.every((s) => s.kind === 'line') && !isStraightPath(mark.path, STRAIGHT_MARK_MM)
    for (const path of bent ? mark.path.map((s) => [s]) : [mark.path]) inner.push({ name: mark.name, path, called })
  }
  const straight = inner.filter((l) => isStraightPath(l.path, STRAIGHT_MARK_MM))
  const grainLine = straight.find((l) => /grain|thread/.test(l.called)) ?? upright(straight)
  const grain = grainLine ? downward(grainLine.path) : null
  const lines = inner
    .filter((l) => l !== grainLine)
    .map((l, i) => ({ name: /line|layer|path/i.test(l.name) && l.name.length < 40 ? l.name : l.name || `line ${i + 1}`, path: l.path }))
  return { grain, notches, lines }
}

/** Without a name only a long line that runs up and down the page passes for the grain. */
function upright<T extends { path: Path }>(lines: T[]): T | undefined {
  return lines
    .filter((l) => {
      const box = boundsOf(l.path)
      return box.maxY - box.minY > 60 && box.maxX - box.minX < (box.maxY - box.minY) * 0.1
    })
    .sort((a, b) => measureLength(b.path) - measureLength(a.path))[0]
}

function downward(path: Path): { from: Point; to: Point } {
  const a = path[0]!.from
  const b = path[path.length - 1]!.to
  return a.y <= b.y ? { from: a, to: b } : { from: b, to: a }
}
