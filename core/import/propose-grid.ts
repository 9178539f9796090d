import { spend } from '../budget'
import type { DrawnShape, PdfPage } from '../formats'
import { handleBoxOf, intersectPaths, line, tangentAt, type Box, type Point } from '../geometry'
import { spotsSaid, type PageSpot } from './page-names'
import { bySaidSpots, bySameLines, offsetsOf } from './same-lines'

/** How it is known where pages lie: there is one; they are named so; they draw the same lines; cut lines meet; nothing tells, or a person said so. */
export const GRID_WAYS = ['one-page', 'page-names', 'same-lines', 'meeting-lines', 'in-rows'] as const

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

/** A line that two pages show is at least this long, mm. */
const LEAST_SAME_MM = 40
/** Where no longer ones tell, curves drawn as chords do, by their number, mm. */
const LEAST_CHORD_MM = 2
/** Ends of lines that are cut at the edge of a page lie on one line to this, mm; and meet their other part to the second. */
const RIM_MM = 0.3
const MEET_MM = 0.8
/** A line that crosses the edge of a page does so by more than this sine. */
const CROSSES = 0.02
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
    pages[page]!.shapes.filter((s) => !s.closed).flatMap(({ path }) => {
      const last = path[path.length - 1]!
      return [
        { page, p: path[0]!.from, way: tangentAt(path[0]!, 0) },
        { page, p: last.to, way: tangentAt(last, 1) },
      ]
    }),
  )
  const { width, height } = pages[list[0]!]!
  // What runs along an edge does not end at it: a long level line is cut at the sides of many pages, and lies as high on all.
  const xs = ends.filter(({ way }) => Math.abs(way.x) > CROSSES).map(({ page, p }) => ({ page, at: p.x }))
  const ys = ends.filter(({ way }) => Math.abs(way.y) > CROSSES).map(({ page, p }) => ({ page, at: p.y }))
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

/** A way in which the pages of a sheet may lie: the place of each among the others. */
interface Layout {
  spots: readonly PageSpot[]
  columns: number
}

/** Pages counted in rows of so many, or down columns. */
function counted(n: number, columns: number, down: boolean): Layout {
  const rows = Math.ceil(n / columns)
  const spots = Array.from({ length: n }, (_, k): PageSpot =>
    down ? { column: Math.floor(k / rows), row: k % rows } : { column: k % columns, row: Math.floor(k / columns) },
  )
  return { spots, columns: down ? Math.ceil(n / rows) : columns }
}

/** The layout and the overlap with which most lines that are cut at the edge of a page go on at another's. */
function byMeetingLines(
  pages: readonly PdfPage[],
  list: readonly number[],
  layouts: readonly Layout[],
  frame: Box,
): { score: number; layout: Layout; x: number; y: number } {
  const cache = new Map<string, number[]>()
  const at = (i: number, axis: 'x' | 'y', value: number): number[] => {
    const key = `${i}|${axis}|${value.toFixed(2)}`
    let found = cache.get(key)
    if (!found) cache.set(key, (found = crossings(pages[i]!, axis, value)))
    return found
  }
  let best = { score: -Infinity, layout: layouts[0]!, x: 0, y: 0 }
  const neighbours = layouts.map(({ spots }) => {
    const bySpot = new Map(spots.map((s, k) => [`${s.column} ${s.row}`, list[k]!]))
    return spots.map((s) => [bySpot.get(`${s.column + 1} ${s.row}`), bySpot.get(`${s.column} ${s.row + 1}`)] as const)
  })
  for (const x of OVERLAPS)
    for (const y of x === 0 ? [0] : [x, 0])
      for (const [l, layout] of layouts.entries()) {
        spend(list.length)
        let score = 0
        for (const [k, [right, below]] of neighbours[l]!.entries()) {
          if (right !== undefined) score += meetScore(at(list[k]!, 'x', frame.maxX - x), at(right, 'x', frame.minX))
          if (below !== undefined) score += meetScore(at(list[k]!, 'y', frame.maxY - y), at(below, 'y', frame.minY))
        }
        if (score > best.score + 0.5) best = { score, layout, x, y }
      }
  return best
}

/**
 * Proposes how the pages of a file lie side by side: by the names on them and the steps that their lines tell; by lines that several of them
 * draw whole; else by where lines that are cut at the edge of one page go on at another's, over the numbers of columns and the usual overlaps;
 * else in rows.
 */
export function proposeGrid(pages: readonly PdfPage[]): PageGrid {
  const list = sheetPages(pages)
  const place = (at: (i: number) => Point): (Point | null)[] => pages.map((_, i) => (list.includes(i) ? at(i) : null))
  if (list.length <= 1) return { places: place(() => ({ x: 0, y: 0 })), columns: 1, trim: null, how: 'one-page', sure: true }
  const readings = spotsSaid(pages, list)
  for (const leastMm of [LEAST_SAME_MM, LEAST_CHORD_MM]) {
    const offset = offsetsOf(pages, list, leastMm)
    const named = bySaidSpots(list, readings, offset)
    const same = named ?? bySameLines(list, offset)
    if (!same) continue
    const columns = new Set([...same.values()].map((p) => Math.round(p.x))).size
    return { places: place((i) => same.get(i)!), columns, trim: null, how: named ? 'page-names' : 'same-lines', sure: true }
  }
  const { width, height } = pages[list[0]!]!
  const frame = frameOf(pages, list) ?? { minX: 0, minY: 0, maxX: width, maxY: height }
  const n = list.length
  const named = readings.map((spots): Layout => ({ spots, columns: Math.max(...spots.map((s) => s.column)) + 1 }))
  const inOrder = [false, true].flatMap((down) => Array.from({ length: n }, (_, i) => counted(n, i + 1, down)))
  // Names that lines do not bear out are none of places.
  for (const [layouts, how] of [
    [named, 'page-names'],
    [inOrder, 'meeting-lines'],
  ] as const) {
    if (layouts.length === 0) continue
    const { score, layout, x, y } = byMeetingLines(pages, list, layouts, frame)
    if (score > 0) return { ...laid(pages, list, layout, x, y, frame), how, sure: true }
  }
  return laid(pages, list, named[0] ?? counted(n, Math.ceil(Math.sqrt(n)), false), 0, 0, frame)
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
  return laid(pages, list, counted(list.length, choice.columns, choice.down), choice.overlapX, choice.overlapY, frame)
}

function laid(
  pages: readonly PdfPage[],
  list: readonly number[],
  layout: Layout,
  overlapX: number,
  overlapY: number,
  frame: Box,
): PageGrid {
  // Pages lie over each other by half at the most: a larger overlap was a slip of the hand.
  const step = (reach: number, overlap: number) => reach - Math.min(overlap, reach / 2)
  const [stepX, stepY] = [step(frame.maxX - frame.minX, overlapX), step(frame.maxY - frame.minY, overlapY)]
  const places: (Point | null)[] = pages.map(() => null)
  for (const [k, { column, row }] of layout.spots.entries()) places[list[k]!] = { x: column * stepX, y: row * stepY }
  return { places, columns: layout.columns, trim: frame, how: 'in-rows', sure: false }
}
