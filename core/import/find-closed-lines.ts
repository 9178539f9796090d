import { spend } from '../budget'
import {
  distance,
  line,
  measureArea,
  measureLength,
  nearestPlace,
  placeAt,
  reversePath,
  thinOut,
  weld,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { FIT_MM, GAP_MM, LEAST_PIECE_MM2, SAME_POINT_MM } from '../tolerances'
import { chainStrokes, endOf, startOf, type Stroke } from './chain-strokes'
import { mendGaps, type Mended } from './mend-gaps'
import { shareLines, sizesOfOneLook } from './share-lines'
import { isCalledInner, sized, type Sized } from './sized'
import { takeOutNotches } from './take-out-notches'

/** Takes out parts of no length and lets each part start exactly where the one before ends; empty when nothing is left. */
function weldClosed(path: Path): Path {
  const parts = path.filter((s) => measureLength([s]) > SAME_POINT_MM)
  const welded: Segment[] = [...weld(parts)]
  const last = welded[welded.length - 1]
  if (last && distance(last.to, welded[0]!.from) <= GAP_MM) welded[welded.length - 1] = { ...last, to: welded[0]!.from }
  return welded.length > FINE_SEGMENTS ? thinOut(welded, FIT_MM) : welded
}

/** An outline with more parts than this was traced by a machine: its chords are thinned out. */
const FINE_SEGMENTS = 1500

/** Two lines whose boxes and areas differ by no more than this are one that is drawn twice: an area, and a line round it. */
const TWICE_MM = 0.3

const TWICE_PART = 0.002

/** The closed lines without those that are drawn over another again, largest first; the line is kept, not the area. */
export function drawnOnce(candidates: readonly Sized[]): { once: Sized[]; again: Sized[] } {
  const once: Sized[] = []
  const again: Sized[] = []
  const order = [...candidates].sort((a, b) => Number(a.stroke.shape.isArea) - Number(b.stroke.shape.isArea))
  for (const c of order) {
    spend(once.length)
    const same = once.some(
      (o) =>
        !c.isOpen &&
        Math.abs(o.area - c.area) <= TWICE_PART * o.area &&
        Math.abs(o.box.minX - c.box.minX) <= TWICE_MM &&
        Math.abs(o.box.minY - c.box.minY) <= TWICE_MM &&
        Math.abs(o.box.maxX - c.box.maxX) <= TWICE_MM &&
        Math.abs(o.box.maxY - c.box.maxY) <= TWICE_MM &&
        c.loop.every((s) => nearestPlace(o.loop, s.from).distanceMm <= TWICE_MM),
    )
    ;(same ? again : once).push(c)
  }
  return { once: once.sort((a, b) => b.area - a.area), again }
}

/** Two strokes whose ends and middles lie this near are one that is drawn twice, mm. */
const SAME_LINE_MM = 0.1

/** What strokes must have in common to be chained, strictest first: cut line and seam line meet at a fold. */
const MANNERS: ((s: Stroke) => string)[] = [({ shape }) => [...shape.groups, shape.style].join('/'), ({ shape }) => shape.style, () => '']

const isNear = (p: Point, q: Point) => distance(p, q) <= SAME_LINE_MM

/** Do two strokes run over each other, from end to end? */
function runsOver(a: Stroke, b: Stroke): boolean {
  const [[from, to], [start, end]] = [a, b].map(({ path }) => [startOf(path), endOf(path)] as const) as [[Point, Point], [Point, Point]]
  if (!(isNear(from, start) && isNear(to, end)) && !(isNear(from, end) && isNear(to, start))) return false
  const long = measureLength(a.path)
  return (
    Math.abs(measureLength(b.path) - long) <= SAME_LINE_MM &&
    nearestPlace(b.path, placeAt(a.path, long / 2).point).distanceMm <= SAME_LINE_MM
  )
}

/**
 * The open strokes without those that are drawn over another of their look more often than lines go on at their ends: joined, the two would
 * close to nothing. Cut line and seam line may both need one, and what runs in and out again is a slit.
 */
function withoutRepeats(open: readonly Stroke[]): Stroke[] {
  const key = ({ shape }: Stroke, p: Point) => `${shape.style} ${Math.round(p.x)} ${Math.round(p.y)}`
  const byEnd = new Map<string, Stroke[]>()
  for (const one of open)
    for (const k of new Set([key(one, startOf(one.path)), key(one, endOf(one.path))])) {
      const there = byEnd.get(k)
      if (there) there.push(one)
      else byEnd.set(k, [one])
    }
  const dropped = new Set<Stroke>()
  for (const one of open) {
    const near = (p: Point) => (byEnd.get(key(one, p)) ?? []).filter((o) => o !== one && !dropped.has(o))
    const ends = [startOf(one.path), endOf(one.path)]
    // A stroke over it shares both ends: it is looked for where fewer meet.
    const [few] = ends.map((p) => byEnd.get(key(one, p)) ?? []).sort((a, b) => a.length - b.length)
    spend(few!.length)
    const over = new Set(few!.filter((o) => o !== one && !dropped.has(o) && runsOver(one, o)))
    if (over.size === 0) continue
    const goOn = ends.map((p) => near(p).filter((o) => !over.has(o) && (isNear(startOf(o.path), p) || isNear(endOf(o.path), p))).length)
    const needed = Math.min(...goOn)
    if (needed > 0 && over.size >= needed) dropped.add(one)
  }
  return open.filter((o) => !dropped.has(o))
}

/** Open strokes joined end to end: within their group and manner first, what stays open then with others. */
function chainByManner(open: readonly Stroke[], all: readonly Stroke[]): Stroke[] {
  // Sizes of one look that end at one fold would be joined to each other.
  const alike = shareLines([...sizesOfOneLook(open)], all)
  let left = open.filter((o) => !alike.closed.some((c) => c.of!.includes(o)))
  const done: Stroke[] = [...alike.closed]
  for (const [i, mannerOf] of MANNERS.entries()) {
    const groups = new Map<string, Stroke[]>()
    for (const s of left) {
      const there = groups.get(mannerOf(s))
      if (there) there.push(s)
      else groups.set(mannerOf(s), [s])
    }
    const chains = [...groups.values()].flatMap(chainStrokes)
    const isLast = i === MANNERS.length - 1
    const isDone = (c: Stroke) => distance(startOf(c.path), endOf(c.path)) <= GAP_MM
    done.push(...chains.filter(isDone))
    if (isLast) {
      // What nearly closes is mended, and asked about; what is left is a mark, or an outline with a wide gap.
      const open = chains.filter((c) => !isDone(c))
      const mended = mendGaps(open)
      const used = new Set(mended.flatMap((m) => m.of ?? []))
      done.push(...mended, ...open.filter((o) => !(o.of ?? [o]).some((x) => used.has(x))))
    }
    const unclosed = chains.filter((c) => !isDone(c))
    const shared = i < MANNERS.length - 1 ? shareLines(unclosed, all) : { closed: [], left: unclosed }
    done.push(...shared.closed.map((c) => ({ ...c, of: c.of!.flatMap((o) => o.of ?? [o]) })))
    left = shared.left.flatMap((c) => c.of ?? [c])
  }
  return done
}

/** The closed lines of a drawing, and those that are nearly so, that are large enough for pieces; largest first. */
export function findClosedLines(strokes: readonly Stroke[]): Sized[] {
  const open = strokes.filter((s) => !s.shape.closed && !isCalledInner(s.shape))
  const chains = chainByManner(withoutRepeats(open), strokes)
  const candidates = [
    ...strokes.filter((s) => s.shape.closed).map((stroke) => ({ stroke, gapMm: 0 })),
    ...chains.map((stroke) => ({ stroke, gapMm: mendOf(stroke)?.mm ?? distance(startOf(stroke.path), endOf(stroke.path)) })),
  ]
  return candidates
    .flatMap(({ stroke, gapMm }) => {
      const isOpen = gapMm > GAP_MM
      const loop = isOpen && !mendOf(stroke) ? [...stroke.path, line(endOf(stroke.path), startOf(stroke.path))] : weldClosed(stroke.path)
      const area = measureArea(loop)
      // An open line counts as an outline when its gap is short for its length; otherwise it is a mark.
      if (Math.abs(area) < LEAST_PIECE_MM2 || (isOpen && gapMm > measureLength(stroke.path) / 5)) return []
      const clockwise = area < 0 ? reversePath(loop) : loop
      const { path, places } = isOpen ? { path: clockwise, places: [] } : takeOutNotches(clockwise)
      return [{ ...sized(stroke, path, Math.abs(area), gapMm, isOpen), notches: places }]
    })
    .sort((a, b) => b.area - a.area)
}

/** How an outline was mended that did not close. */
export const mendOf = (stroke: Stroke): Mended['mended'] | null => ('mended' in stroke ? (stroke as Mended).mended : null)
