import { spend } from '../budget'
import { cutPath, distance, measureLength, nearestPlace, reversePath, type Path, type Point } from '../geometry'
import { GAP_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { sizeCalled } from './size-called'

/** A line of one size ends on the line that all sizes share to this, mm. */
const ON_LINE_MM = 0.8
/** Lines of a size are at least this long, mm: marks of a size are shorter. */
const LEAST_MM = 80
/** So many manners of line of like length over each other are sizes of one piece. */
const LEAST_STYLES = 3

const boxOf = (path: Path) => {
  const points = path.flatMap((s) => [s.from, s.to])
  return {
    minX: Math.min(...points.map((p) => p.x)),
    maxX: Math.max(...points.map((p) => p.x)),
    minY: Math.min(...points.map((p) => p.y)),
    maxY: Math.max(...points.map((p) => p.y)),
  }
}

/** Are there lines of other manners beside an open one that are as long as it, to a quarter, and lie over it? */
function isOneOfSizes(one: Stroke, open: readonly Stroke[]): boolean {
  if (sizeCalled(one.shape) !== null) return true
  const long = measureLength(one.path)
  const a = boxOf(one.path)
  const like = open.filter((o) => {
    const b = boxOf(o.path)
    const w = Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX)
    const h = Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY)
    const half = (low: number, high: number) => (high - low) / 2
    return Math.abs(measureLength(o.path) - long) <= long / 4 && w >= half(a.minX, a.maxX) && h >= half(a.minY, a.maxY)
  })
  return new Set(like.map((o) => o.shape.style)).size >= LEAST_STYLES
}

/** The part of a line from one place to another, the shorter way round where it is closed; null where it does not run there. */
export function along(line: Pick<Stroke, 'path'>, from: Point, to: Point): Path | null {
  const [a, b] = [nearestPlace(line.path, from), nearestPlace(line.path, to)]
  if (a.distanceMm > ON_LINE_MM || b.distanceMm > ON_LINE_MM || Math.abs(a.lengthMm - b.lengthMm) < GAP_MM) return null
  const direct =
    a.lengthMm < b.lengthMm ? cutPath(line.path, a.lengthMm, b.lengthMm) : reversePath(cutPath(line.path, b.lengthMm, a.lengthMm))
  const total = measureLength(line.path)
  const isClosed = distance(startOf(line.path), endOf(line.path)) <= GAP_MM
  if (!isClosed || measureLength(direct) <= total / 2) return direct
  const [low, high] = [Math.min(a.lengthMm, b.lengthMm), Math.max(a.lengthMm, b.lengthMm)]
  const round = [...(total - high > GAP_MM ? cutPath(line.path, high, total) : []), ...(low > GAP_MM ? cutPath(line.path, 0, low) : [])]
  return a.lengthMm > b.lengthMm ? round : reversePath(round)
}

/**
 * Sizes of a nest whose common lines are drawn once: an open line of one size goes on along what other sizes or all of them
 * share, until it is closed. Lines that no other can close stay as they are.
 *
 * @param open what could not be joined end to end within its own manner
 * @param lines all lines of the drawing
 */
export function shareLines(open: readonly Stroke[], lines: readonly Stroke[]): { closed: Stroke[]; left: Stroke[] } {
  const long = open.filter((o) => measureLength(o.path) >= LEAST_MM)
  const used = new Set<Stroke>()
  const closed: Stroke[] = []
  for (const first of long) {
    if (used.has(first) || !isOneOfSizes(first, long)) continue
    const parts: Path[] = [first.path]
    const of: Stroke[] = [first]
    let tip = endOf(first.path)
    for (let steps = 0; steps < long.length + 1; steps++) {
      spend(lines.length)
      const home = startOf(first.path)
      // Goals: the own beginning, or an end of another line of the same manner.
      const goals = [
        ...(of.length > 1 || distance(tip, home) > GAP_MM ? [{ at: home, then: null as Stroke | null, turned: false }] : []),
        ...long
          .filter(
            (o) =>
              !used.has(o) && !of.includes(o) && o.shape.style === first.shape.style && sizeCalled(o.shape) === sizeCalled(first.shape),
          )
          .flatMap((o) => [
            { at: startOf(o.path), then: o, turned: false },
            { at: endOf(o.path), then: o, turned: true },
          ]),
      ]
      const ways = goals
        .flatMap((goal) =>
          lines.flatMap((l) => {
            if (of.includes(l) || goal.then === l) return []
            const path = along(l, tip, goal.at)
            return path ? [{ goal, path, mm: measureLength(path) }] : []
          }),
        )
        .sort((a, b) => a.mm - b.mm)
      const way = ways[0]
      if (!way) break
      parts.push([{ ...way.path[0]!, from: tip }, ...way.path.slice(1)])
      if (!way.goal.then) {
        closed.push({ shape: first.shape, path: parts.flat(), of })
        of.forEach((o) => used.add(o))
        break
      }
      const next = way.goal.turned ? reversePath(way.goal.then.path) : way.goal.then.path
      parts.push(next)
      of.push(way.goal.then)
      tip = endOf(next)
    }
  }
  return { closed, left: open.filter((o) => !used.has(o)) }
}
