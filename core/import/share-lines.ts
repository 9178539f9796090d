import { spend } from '../budget'
import { cutPath, distance, line, measureArea, measureLength, nearestPlace, reversePath, type Path, type Point } from '../geometry'
import { GAP_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { sizeCalled } from './size-called'

/** A line of one size ends on the line that all sizes share to this, mm. */
const ON_LINE_MM = 0.8
/** Lines of a size are at least this long, mm: marks of a size are shorter. */
const LEAST_MM = 80
/** So many lines of like length over each other, each in a manner of its own or lacking an edge, are sizes of one piece. */
const LEAST_LINES = 3

/** An outline that lacks one edge still goes round most of its box; a line across a piece does not. */
const ROUND_PART = 0.4

/** How long an open line is, mm, what box its ends of parts fill, and whether it goes round an area, and lacks but one edge of an outline. */
interface Reach {
  mm: number
  minX: number
  maxX: number
  minY: number
  maxY: number
  goesRound: boolean
}

const reaches = new WeakMap<Path, Reach>()

/** Every line is compared with every other: each is measured once. */
function reachOf({ path }: Stroke): Reach {
  const known = reaches.get(path)
  if (known) return known
  const box = { minX: Infinity, maxX: -Infinity, minY: Infinity, maxY: -Infinity }
  for (const { x, y } of path.flatMap((s) => [s.from, s.to])) {
    box.minX = Math.min(box.minX, x)
    box.maxX = Math.max(box.maxX, x)
    box.minY = Math.min(box.minY, y)
    box.maxY = Math.max(box.maxY, y)
  }
  const area = Math.abs(measureArea([...path, line(endOf(path), startOf(path))]))
  // A level or an upright line has a box without an area, which it does not go round.
  const goesRound =
    area > GAP_MM * Math.max(box.maxX - box.minX, box.maxY - box.minY) && area >= ROUND_PART * (box.maxX - box.minX) * (box.maxY - box.minY)
  const reach = { ...box, mm: measureLength(path), goesRound }
  reaches.set(path, reach)
  return reach
}

/** The lines among these that are as long as an open one, to a quarter, and lie over it; itself too. */
function likeOf(one: Stroke, open: readonly Stroke[]): Stroke[] {
  spend(open.length)
  const a = reachOf(one)
  return open.filter((o) => {
    const b = reachOf(o)
    const w = Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX)
    const h = Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY)
    return Math.abs(b.mm - a.mm) <= a.mm / 4 && w >= (a.maxX - a.minX) / 2 && h >= (a.maxY - a.minY) / 2
  })
}

/** More lines that lack an edge than this are no sizes of pieces. */
const MOST_ROUND = 400

/** The open lines that are sizes which lack an edge, among others of the same look that lack it too. */
export function sizesOfOneLook(open: readonly Stroke[]): ReadonlySet<Stroke> {
  const round = open.filter((o) => reachOf(o).mm >= LEAST_MM && reachOf(o).goesRound)
  if (round.length > MOST_ROUND) return new Set()
  return new Set(round.filter((one) => likeOf(one, round).filter((o) => o.shape.style === one.shape.style).length >= LEAST_LINES))
}

/** Is an open line a size: called so, or one of several manners that lie over each other? */
const isOneOfSizes = (one: Stroke, open: readonly Stroke[]): boolean =>
  sizeCalled(one.shape) !== null || new Set(likeOf(one, open).map((o) => o.shape.style)).size >= LEAST_LINES

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
  const ofOneLook = sizesOfOneLook(long)
  const used = new Set<Stroke>()
  const closed: Stroke[] = []
  for (const first of long) {
    // What goes round but for one edge ends where it began; lines of its look are other sizes.
    const isRound = ofOneLook.has(first)
    if (used.has(first) || (!isRound && !isOneOfSizes(first, long))) continue
    const parts: Path[] = [first.path]
    const of: Stroke[] = [first]
    let tip = endOf(first.path)
    for (let steps = 0; steps < long.length + 1; steps++) {
      spend(lines.length)
      const home = startOf(first.path)
      // Goals: the own beginning, or an end of another line of the same manner.
      const goals = [
        ...(isRound || of.length > 1 || distance(tip, home) > GAP_MM ? [{ at: home, then: null as Stroke | null, turned: false }] : []),
        ...long
          .filter(
            (o) =>
              !isRound &&
              !used.has(o) &&
              !of.includes(o) &&
              o.shape.style === first.shape.style &&
              sizeCalled(o.shape) === sizeCalled(first.shape),
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
