import { spend } from '../budget'
import type { DrawnShape, PdfPage } from '../formats'
import { handleBoxOf, intersectPaths, line, type Box } from '../geometry'
import type { PageSpot } from './page-names'

/** Ends of lines that are cut at the edge of a page lie on one line to this, mm; and meet their other part to the second. */
export const RIM_MM = 0.3
const MEET_MM = 0.8
/** Where pages lie right, lines meet to this: steep ones would else meet where pages lie wrong, mm. */
const EXACT_MM = 0.1

const boxes = new WeakMap<DrawnShape, Box>()
/** The box of a line, worked out once. */
export function boxOf(s: DrawnShape): Box {
  let box = boxes.get(s)
  if (!box) boxes.set(s, (box = handleBoxOf(s.path)))
  return box
}

type Axis = 'x' | 'y'

/** Where lines of a page cross a straight line across it, in order: all, and those that tell where the page lies. */
interface Crossings {
  all: readonly number[]
  telling: readonly number[]
}

/** A line of a page, how far it reaches along an axis, and whether it tells where the page lies. */
interface Reaching {
  shape: DrawnShape
  low: number
  high: number
  isTelling: boolean
}

/** Where lines of a page cross a straight line across it, that is so long: along it. */
function crossings(lines: readonly Reaching[], reach: number, axis: Axis, at: number): Crossings {
  const other = axis === 'x' ? 'y' : 'x'
  const rule = axis === 'x' ? [line({ x: at, y: -1 }, { x: at, y: reach + 1 })] : [line({ x: -1, y: at }, { x: reach + 1, y: at })]
  const found = { all: [] as number[], telling: [] as number[] }
  spend(lines.length)
  for (const { shape, low, high, isTelling: tells } of lines) {
    if (at < low - RIM_MM || at > high + RIM_MM) continue
    const { path, closed } = shape
    spend(path.length)
    const [a, b] = [path[0]!.from, path[path.length - 1]!.to]
    const ends = closed ? [] : [a, b].filter((p) => Math.abs(p[axis] - at) <= RIM_MM).map((p) => p[other])
    // Most lines are straight: their crossing needs no search.
    const isStraight = path.length === 1 && path[0]!.kind === 'line'
    const straight = () => (at < low || at > high ? [] : [a[other] + ((b[other] - a[other]) * (at - a[axis])) / (b[axis] - a[axis])])
    const hits = isStraight ? straight() : intersectPaths(path, rule).map((h) => h.point[other])
    const places = [...ends, ...hits.filter((h) => ends.every((e) => Math.abs(e - h) > MEET_MM))]
    found.all.push(...places)
    if (tells) found.telling.push(...places)
  }
  for (const list of [found.all, found.telling]) list.sort((x, y) => x - y)
  return found
}

/** Lines at the edges of pages: how closely those meet that do, summed up, how many they are, and of how many. */
interface Met {
  close: number
  near: number
  of: number
}

/** Adds how the places of one page meet those of another, both in order: a slanted line meets a little aside where the overlap is a little other. */
function addMet(sum: Met, places: readonly number[], others: readonly number[]): void {
  spend(places.length + others.length)
  sum.of += places.length
  let k = 0
  for (const p of places) {
    while (k + 1 < others.length && Math.abs(others[k + 1]! - p) <= Math.abs(others[k]! - p)) k++
    const far = others.length === 0 ? Infinity : Math.abs(others[k]! - p)
    if (far > MEET_MM) continue
    sum.near += 1
    sum.close += (1 - far / MEET_MM + Math.max(0, 1 - far / EXACT_MM)) / 2
  }
}

/** Does a line tell where its page lies? What runs straight through from edge to edge, and the frame, goes on at any page in any way. */
function isTelling(s: DrawnShape, frame: Box): boolean {
  const isAt = (a: number, b: number) => Math.abs(a - b) <= RIM_MM
  const b = boxOf(s)
  const across = isAt(b.minX, frame.minX) && isAt(b.maxX, frame.maxX)
  const down = isAt(b.minY, frame.minY) && isAt(b.maxY, frame.maxY)
  return !(across && (down || b.maxY - b.minY <= RIM_MM)) && !(down && b.maxX - b.minX <= RIM_MM)
}

/** A way in which the pages of a sheet may lie: the place of each among the others. */
export interface Layout {
  spots: readonly PageSpot[]
  columns: number
}

/** Overlaps that are not usual are looked for in these steps, up to the second, mm; then about the one that was found, finer and finer. */
const ODD_STEP_MM = 0.5
const MOST_OVERLAP_MM = 40
const FINE_STEPS_MM = [0.1, 0.02]
/** Lines meet the more closely by this sum of parts. */
const CLOSER = 0.01
/** Rules across a page nearer than this are one, mm. */
const SAME_RULE_MM = 0.01
/** So many of the lines that end at pages meet with a usual overlap where that is the one; else odd ones are looked for. */
const MEETING_PART = 0.9
/** So many odd overlaps are looked at closely. */
const LIKELY = 4
/** An odd overlap lets lines meet better than a usual one by this part at least: lines are not drawn more exactly. */
const ODD_GAIN = 0.03
/** Of more pages than this, usual overlaps alone tell in how many columns they lie. */
const MOST_ODD_PAGES = 100
/** What a line that meets none takes from the score, in lines that meet. */
const LONE_PART = 0.6
/** What is tried later must be better by this: one more line that meets, or none that does not. */
const BETTER = 0.5

/** How well pages lie with an overlap: how many of the lines at their edges meet, and how closely. */
interface Meeting {
  overlap: number
  score: number
  /** Of the lines that end there; 0 where there are none. */
  part: number
}

type Pairs = readonly (readonly [number, number])[]

/** Each page of a layout with the next one to the right, or below. */
function pairsOf({ spots }: Layout, list: readonly number[], axis: Axis): Pairs {
  const bySpot = new Map(spots.map((s, k) => [`${s.column} ${s.row}`, list[k]!]))
  const next = (s: PageSpot) => bySpot.get(axis === 'x' ? `${s.column + 1} ${s.row}` : `${s.column} ${s.row + 1}`)
  return spots.flatMap((s, k): Pairs => (next(s) === undefined ? [] : [[list[k]!, next(s)!]]))
}

/** Tells how well pairs of pages lie with an overlap. */
function meetingsOn(
  pages: readonly PdfPage[],
  list: readonly number[],
  frame: Box,
): (pairs: Pairs, axis: Axis, overlap: number) => Meeting {
  const all = list.flatMap((i) => pages[i]!.shapes)
  const some = all.filter((s) => isTelling(s, frame))
  const telling = new Set(some.length > 0 ? some : all)
  const [low, high] = [
    { x: frame.minX, y: frame.minY },
    { x: frame.maxX, y: frame.maxY },
  ]
  // Lines that reach an edge, or into the half before the far one: no others can meet. What runs along the edge does not cross it.
  const reaching = (i: number, axis: Axis, isFar: boolean): Reaching[] =>
    pages[i]!.shapes.flatMap((shape) => {
      const b = boxOf(shape)
      const [from, to] = axis === 'x' ? [b.minX, b.maxX] : [b.minY, b.maxY]
      const isThere = isFar ? to > (low[axis] + high[axis]) / 2 : from <= low[axis] + RIM_MM
      return isThere && to - from > RIM_MM ? [{ shape, low: from, high: to, isTelling: telling.has(shape) }] : []
    })
  const known = new Map<string, Map<number, Crossings>>()
  const lines = new Map<string, Reaching[]>()
  const at = (i: number, axis: Axis, isFar: boolean, value: number): Crossings => {
    const side = `${i}${axis}${isFar}`
    if (!lines.has(side)) {
      lines.set(side, reaching(i, axis, isFar))
      known.set(side, new Map())
    }
    const rules = known.get(side)!
    const key = Math.round(value / SAME_RULE_MM)
    let found = rules.get(key)
    if (!found) rules.set(key, (found = crossings(lines.get(side)!, axis === 'x' ? pages[i]!.height : pages[i]!.width, axis, value)))
    return found
  }
  return (pairs, axis, overlap) => {
    spend(pairs.length)
    const sum: Met = { close: 0, near: 0, of: 0 }
    for (const [i, j] of pairs) {
      const [a, b] = [at(i, axis, true, high[axis] - overlap), at(j, axis, false, low[axis])]
      addMet(sum, a.telling, b.all)
      addMet(sum, b.telling, a.all)
    }
    return { overlap, score: sum.close / 2 - LONE_PART * (sum.of - sum.near), part: sum.of === 0 ? 0 : sum.near / sum.of }
  }
}

/** The layout and the overlaps with which most lines that are cut at the edge of a page go on at another's. */
export function byMeetingLines(
  pages: readonly PdfPage[],
  list: readonly number[],
  layouts: readonly Layout[],
  frame: Box,
  overlaps: readonly number[],
): { score: number; layout: Layout; x: number; y: number } {
  const meetingOf = meetingsOn(pages, list, frame)
  const bestOf = (pairs: Pairs, axis: Axis, tried: readonly number[]): Meeting =>
    tried.map((o) => meetingOf(pairs, axis, o)).reduce((best, m) => (m.score > best.score + BETTER ? m : best))
  const bestWith = (tried: readonly number[]) =>
    layouts
      .map((layout) => {
        const [x, y] = (['x', 'y'] as const).map((axis) => bestOf(pairsOf(layout, list, axis), axis, tried))
        return { layout, x: x!, y: y!, score: x!.score + y!.score }
      })
      .reduce((a, b) => (b.score > a.score + BETTER ? b : a))
  const asUsual = bestWith(overlaps)
  const isTold = Math.min(asUsual.x.part, asUsual.y.part) >= MEETING_PART || layouts.length === 1 || list.length > MOST_ODD_PAGES
  const best = isTold ? asUsual : bestWith([...overlaps, ...stepsFrom(0, MOST_OVERLAP_MM, ODD_STEP_MM)])
  const refined = (axis: Axis): Meeting => {
    const pairs = pairsOf(best.layout, list, axis)
    const usual = best[axis]
    // Slanted lines tell exactly: they meet the nearer, the truer the overlap is.
    const about = (start: Meeting): Meeting =>
      FINE_STEPS_MM.reduce((mid, step, i) => {
        const reach = i === 0 ? ODD_STEP_MM : FINE_STEPS_MM[i - 1]!
        const near = stepsFrom(Math.max(0, mid.overlap - reach), mid.overlap + reach, step).map((o) => meetingOf(pairs, axis, o))
        return near.reduce((a, m) => (m.score > a.score + CLOSER ? m : a), mid)
      }, start)
    const tried = stepsFrom(0, MOST_OVERLAP_MM, ODD_STEP_MM).map((o) => meetingOf(pairs, axis, o))
    const likely = [usual, ...tried.sort((a, b) => b.score - a.score).slice(0, LIKELY)]
    const odd = likely.map(about).reduce((a, m) => (m.score > a.score ? m : a))
    return odd.score > usual.score + BETTER + ODD_GAIN * Math.abs(usual.score) ? odd : usual
  }
  const [x, y] = [refined('x'), refined('y')]
  return { score: x.score + y.score, layout: best.layout, x: x.overlap, y: y.overlap }
}

const stepsFrom = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step)
