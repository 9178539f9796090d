import { spend } from '../budget'
import type { DrawnShape, PdfPage } from '../formats'
import { distance, handleBoxOf, intersectPaths, line, measureLength, type Box, type Point } from '../geometry'

/** How it is known where pages lie: there is one; they draw the same lines; cut lines meet; nothing tells, or a person said so. */
export const GRID_WAYS = ['one-page', 'same-lines', 'meeting-lines', 'in-rows'] as const

/** Where each page of a file lies on the sheet that they make together. */
export interface PageGrid {
  /** Upper left corner of each page, mm; null for a page that is none of the sheet: a cover, instructions. */
  places: (Point | null)[]
  columns: number
  /** The part of a page inside which lines are drawn, where they were cut there; null where lines run on beyond. */
  trim: Box | null
  how: (typeof GRID_WAYS)[number]
  /** Lines of neighbours meet, or are the same. */
  sure: boolean
}

/** A line that two pages show is at least this long, mm, and lies alike on both to this. */
const LEAST_SAME_MM = 40
/** Where no longer ones tell, curves drawn as chords do, by their number, mm. */
const LEAST_CHORD_MM = 2
const SAME_MM = 0.3
/** Ends of lines that are cut at the edge of a page lie on one line to this, mm; and meet their other part to the second. */
const RIM_MM = 0.3
const MEET_MM = 0.8
/** Overlaps that pages are printed with, mm. */
const OVERLAPS = [0, 5, 6, 6.35, 7, 8, 10, 12, 12.7, 15, 18, 20, 25, 25.4, 30]

/** Pages of the size that most have, from the first with lines on it to the last: an empty one between them is part of the sheet. */
function sheetPages(pages: readonly PdfPage[]): number[] {
  const sizeOf = (p: PdfPage) => `${Math.round(p.width)}x${Math.round(p.height)}`
  const times = new Map<string, number>()
  for (const p of pages) if (p.shapes.length > 0) times.set(sizeOf(p), (times.get(sizeOf(p)) ?? 0) + 1)
  const usual = [...times].sort((a, b) => b[1] - a[1])[0]?.[0]
  const drawn = pages.flatMap((p, i) => (p.shapes.length > 0 && sizeOf(p) === usual ? [i] : []))
  const [first, last] = [drawn[0] ?? 0, drawn[drawn.length - 1] ?? -1]
  return pages.flatMap((p, i) => (i >= first && i <= last && sizeOf(p) === usual ? [i] : []))
}

/** What tells a line from others, wherever it lies. */
const looks = ({ path, style, isArea }: DrawnShape): string => {
  const [a, b] = [path[0]!.from, path[path.length - 1]!.to]
  return `${isArea ? 'area ' : ''}${style}|${path.length}|${measureLength(path).toFixed(1)}|${(b.x - a.x).toFixed(1)}|${(b.y - a.y).toFixed(1)}`
}

/** Places by lines that several pages draw whole: each tells how the two lie to each other. Null where they do not tell of all. */
function bySameLines(pages: readonly PdfPage[], list: readonly number[], leastMm: number): Map<number, Point> | null {
  const lines = new Map<number, Map<string, Point | null>>()
  for (const i of list) {
    const own = new Map<string, Point | null>()
    for (const s of pages[i]!.shapes) {
      spend(s.path.length)
      if (measureLength(s.path) < leastMm) continue
      const key = looks(s)
      // What a page draws twice tells nothing.
      own.set(key, own.has(key) ? null : s.path[0]!.from)
    }
    lines.set(i, own)
  }
  const offset = (i: number, j: number): Point | null => {
    const votes: Point[] = []
    for (const [key, p] of lines.get(i)!) {
      const q = lines.get(j)!.get(key)
      if (p && q && distance(p, q) > 1) votes.push({ x: p.x - q.x, y: p.y - q.y })
    }
    spend(votes.length * votes.length)
    const best = votes.map((v) => ({ v, n: votes.filter((w) => distance(v, w) <= SAME_MM).length })).sort((a, b) => b.n - a.n)[0]
    return best && best.n * 2 > votes.length ? best.v : null
  }
  const places = new Map<number, Point>([[list[0]!, { x: 0, y: 0 }]])
  for (const [i, at] of places)
    for (const j of list) {
      if (places.has(j)) continue
      spend(lines.get(i)!.size)
      const by = offset(i, j)
      if (by) places.set(j, { x: at.x + by.x, y: at.y + by.y })
    }
  return places.size === list.length ? places : byRegularSteps(list, offset)
}

/** Pages further on than this are not compared when their steps are looked for: a sheet of more columns is rare. */
const FARTHEST = 30

/**
 * Places of pages that hang together in parts only: neighbours tell how far one page is from the next, and how many lie in a row;
 * the others follow in the same steps. Null where the steps are not the same all over.
 */
function byRegularSteps(list: readonly number[], offset: (i: number, j: number) => Point | null): Map<number, Point> | null {
  const found: { k: number; ahead: number; by: Point }[] = []
  for (let k = 0; k < list.length; k++)
    for (let ahead = 1; ahead <= FARTHEST && k + ahead < list.length; ahead++) {
      const by = offset(list[k]!, list[k + ahead]!)
      if (by) found.push({ k, ahead, by })
    }
  const usual = <T>(values: readonly T[], same: (a: T, b: T) => boolean): T | undefined =>
    values.map((v) => ({ v, n: values.filter((w) => same(v, w)).length })).sort((x, y) => y.n - x.n)[0]?.v
  const near = (a: number, b: number) => Math.abs(a - b) <= SAME_MM
  const isLevel = ({ by }: (typeof found)[number]) => Math.abs(by.y) <= SAME_MM
  const isUpright = ({ by }: (typeof found)[number]) => Math.abs(by.x) <= SAME_MM
  const step = usual(
    found.filter((f) => f.ahead === 1 && isLevel(f)).map((f) => f.by.x),
    near,
  )
  const rows = usual(
    found.filter((f) => isUpright(f) && f.by.y > 0).map((f) => ({ columns: f.ahead, y: f.by.y })),
    (a, b) => a.columns === b.columns && near(a.y, b.y),
  )
  if (step === undefined || !rows) return null
  const placeOf = (k: number): Point => ({ x: (k % rows.columns) * step, y: Math.floor(k / rows.columns) * rows.y })
  const fits = found.filter(({ k, ahead, by }) => {
    const [a, b] = [placeOf(k), placeOf(k + ahead)]
    return near(b.x - a.x, by.x) && near(b.y - a.y, by.y)
  })
  return fits.length >= 0.9 * found.length ? new Map(list.map((i, k) => [i, placeOf(k)])) : null
}

/** The place near one side of a page at which lines of most pages end; null where none do. */
function rimOf(ends: readonly { page: number; at: number }[], from: number, to: number): number | null {
  const bins = new Map<number, Set<number>>()
  for (const { page, at } of ends)
    if (at >= from && at <= to) {
      const bin = Math.round(at / RIM_MM)
      bins.set(bin, (bins.get(bin) ?? new Set()).add(page))
    }
  // Straight lines of the drawing end alike on one page; the edge of the paper is the same on all.
  const [bin, on] = [...bins].sort((a, b) => b[1].size - a[1].size)[0] ?? [0, new Set()]
  if (on.size < 2) return null
  const near = ends.flatMap(({ at }) => (Math.abs(at - bin * RIM_MM) <= RIM_MM ? [at] : [])).sort((a, b) => a - b)
  return near[Math.floor(near.length / 2)]!
}

/** The box inside which lines are drawn, where many of them end at it. */
function frameOf(pages: readonly PdfPage[], list: readonly number[]): Box | null {
  const ends = list.flatMap((page) =>
    pages[page]!.shapes.filter((s) => !s.closed).flatMap((s) => [s.path[0]!.from, s.path[s.path.length - 1]!.to].map((p) => ({ page, p }))),
  )
  const { width, height } = pages[list[0]!]!
  const xs = ends.map(({ page, p }) => ({ page, at: p.x }))
  const ys = ends.map(({ page, p }) => ({ page, at: p.y }))
  const [minX, maxX] = [rimOf(xs, -1, width * 0.25), rimOf(xs, width * 0.75, width + 1)]
  const [minY, maxY] = [rimOf(ys, -1, height * 0.25), rimOf(ys, height * 0.75, height + 1)]
  // One column has ends above and below only; one row on the left and right only.
  if (minX === null || maxX === null) return minY === null || maxY === null ? null : { minX: 0, maxX: width, minY, maxY }
  return { minX, maxX, minY: minY ?? 0, maxY: maxY ?? height }
}

const boxes = new WeakMap<DrawnShape, Box>()
function boxOf(s: DrawnShape): Box {
  let box = boxes.get(s)
  if (!box) boxes.set(s, (box = handleBoxOf(s.path)))
  return box
}

/** Where lines of a page cross a straight line across it: along it. */
function crossings(page: PdfPage, axis: 'x' | 'y', at: number): number[] {
  const reach = axis === 'x' ? page.height : page.width
  const rule = axis === 'x' ? [line({ x: at, y: -1 }, { x: at, y: reach + 1 })] : [line({ x: -1, y: at }, { x: reach + 1, y: at })]
  const other = axis === 'x' ? 'y' : 'x'
  return page.shapes.flatMap((s) => {
    const box = boxOf(s)
    if (axis === 'x' ? at < box.minX - RIM_MM || at > box.maxX + RIM_MM : at < box.minY - RIM_MM || at > box.maxY + RIM_MM) return []
    spend(s.path.length)
    const [a, b] = [s.path[0]!.from, s.path[s.path.length - 1]!.to]
    const ends = s.closed ? [] : [a, b].filter((p) => Math.abs(p[axis] - at) <= RIM_MM).map((p) => p[other])
    const hits = intersectPaths(s.path, rule).map((h) => h.point[other])
    return [...ends, ...hits.filter((h) => ends.every((e) => Math.abs(e - h) > MEET_MM))]
  })
}

/** How many of two lists of places meet, less those that do not. */
function meetScore(a: readonly number[], b: readonly number[]): number {
  const near = a.map((x) => Math.min(Infinity, ...b.map((y) => Math.abs(x - y)))).filter((far) => far <= MEET_MM)
  // The nearer they meet the better: a slanted line meets a little aside where the overlap is a little other.
  const close = near.reduce((sum, far) => sum + 1 - far / MEET_MM, 0)
  return close - 0.6 * (a.length + b.length - 2 * near.length)
}

/**
 * Proposes how the pages of a file lie side by side: by lines that several of them draw whole; else by where lines that are cut
 * at the edge of one page go on at another's, over the numbers of columns and the usual overlaps; else in rows.
 */
export function proposeGrid(pages: readonly PdfPage[]): PageGrid {
  const list = sheetPages(pages)
  const nowhere = pages.map((): Point | null => null)
  const place = (at: (k: number) => Point): (Point | null)[] => {
    const places = [...nowhere]
    list.forEach((i, k) => (places[i] = at(k)))
    return places
  }
  if (list.length <= 1) return { places: place(() => ({ x: 0, y: 0 })), columns: 1, trim: null, how: 'one-page', sure: true }
  const same = bySameLines(pages, list, LEAST_SAME_MM) ?? bySameLines(pages, list, LEAST_CHORD_MM)
  if (same) {
    const columns = new Set([...same.values()].map((p) => Math.round(p.x))).size
    return { places: place((k) => same.get(list[k]!)!), columns, trim: null, how: 'same-lines', sure: true }
  }
  const { width, height } = pages[list[0]!]!
  const frame = frameOf(pages, list) ?? { minX: 0, minY: 0, maxX: width, maxY: height }
  const cache = new Map<string, number[]>()
  const at = (i: number, axis: 'x' | 'y', value: number): number[] => {
    const key = `${i}|${axis}|${value.toFixed(2)}`
    let found = cache.get(key)
    if (!found) cache.set(key, (found = crossings(pages[i]!, axis, value)))
    return found
  }
  let best: { score: number; columns: number; x: number; y: number; down: boolean } | null = null
  const n = list.length
  for (const x of OVERLAPS)
    for (const y of x === 0 ? [0] : [x, 0])
      for (const down of [false, true])
        for (let columns = 1; columns <= n; columns++) {
          spend(n)
          // “Down” counts the pages by columns and not by rows.
          const rows = Math.ceil(n / columns)
          const spot = (k: number) => (down ? [Math.floor(k / rows), k % rows] : [k % columns, Math.floor(k / columns)]) as [number, number]
          const indexOf = (c: number, r: number) => (down ? (r < rows ? c * rows + r : n) : c < columns ? r * columns + c : n)
          let score = 0
          for (let k = 0; k < n; k++) {
            const [c, r] = spot(k)
            const [right, below] = [indexOf(c + 1, r), indexOf(c, r + 1)]
            if (right < n) score += meetScore(at(list[k]!, 'x', frame.maxX - x), at(list[right]!, 'x', frame.minX))
            if (below < n) score += meetScore(at(list[k]!, 'y', frame.maxY - y), at(list[below]!, 'y', frame.minY))
          }
          if (!best || score > best.score + 0.5) best = { score, columns: down ? Math.ceil(n / rows) : columns, x, y, down }
        }
  const { columns, x, y, down, score } = best!
  if (score <= 0) return laid(pages, list, { columns: Math.ceil(Math.sqrt(n)), overlapX: 0, overlapY: 0, down: false }, frame)
  return { ...laid(pages, list, { columns, overlapX: x, overlapY: y, down }, frame), how: 'meeting-lines', sure: true }
}

/** How a person says that pages lie: in how many columns, how much they overlap, counted by rows or down the columns. */
export interface GridChoice {
  columns: number
  overlapX: number
  overlapY: number
  down: boolean
}

/** Pages in rows, or in columns, with an overlap, as a person says; those with no lines on them are left out. */
export function gridInRows(pages: readonly PdfPage[], choice: GridChoice): PageGrid {
  const list = sheetPages(pages)
  const { width, height } = pages[list[0] ?? 0]!
  const frame = frameOf(pages, list) ?? { minX: 0, minY: 0, maxX: width, maxY: height }
  return laid(pages, list, choice, frame)
}

function laid(pages: readonly PdfPage[], list: readonly number[], { columns, overlapX, overlapY, down }: GridChoice, frame: Box): PageGrid {
  const rows = Math.ceil(list.length / columns)
  // Pages lie over each other by half at the most: a larger overlap was a slip of the hand.
  const step = (reach: number, overlap: number) => reach - Math.min(overlap, reach / 2)
  const [stepX, stepY] = [step(frame.maxX - frame.minX, overlapX), step(frame.maxY - frame.minY, overlapY)]
  const places: (Point | null)[] = pages.map(() => null)
  list.forEach((i, k) => {
    const [c, r] = down ? [Math.floor(k / rows), k % rows] : [k % columns, Math.floor(k / columns)]
    places[i] = { x: c * stepX, y: r * stepY }
  })
  return { places, columns, trim: frame, how: 'in-rows', sure: false }
}
