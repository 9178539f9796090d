import { spend } from '../budget'
import type { DrawnShape, PdfPage } from '../formats'
import { tangentAt, type Box, type Point } from '../geometry'
import { boxOf, byMeetingLines, RIM_MM, type Layout } from './meeting-lines'
import { spotsSaid, type PageSpot } from './page-names'
import { isLarge, quarterTurn, sheetPages, sizeOf, turned } from './sheet-pages'
import { bySaidSpots, bySameLines, offsetsOf } from './same-lines'

/**
 * How it is known where pages lie: there is one; they are named so; they draw the same lines; cut lines meet; each is a sheet of its own;
 * nothing tells, or a person said so.
 */
export const GRID_WAYS = ['one-page', 'page-names', 'same-lines', 'meeting-lines', 'apart', 'in-rows'] as const

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
/** A line that crosses the edge of a page does so by more than this sine. */
const CROSSES = 0.02
/** Overlaps that pages are printed with, mm. */
const OVERLAPS = [0, 5, 6, 6.35, 7, 8, 10, 12, 12.7, 15, 18, 20, 25, 25.4, 30]

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

/** What stands alike on more than this part of the pages is printed on them: ticks, a bar. It is none of the sheet. */
const PRINTED_PART = 0.5

/** Lines that stand at the same place of most pages. */
function printedOn(pages: readonly PdfPage[], list: readonly number[]): (s: DrawnShape) => boolean {
  const keyOf = (s: DrawnShape) => {
    const { minX, minY, maxX, maxY } = boxOf(s)
    return [s.path.length, ...[minX, minY, maxX, maxY].map((v) => Math.round(v / RIM_MM))].join()
  }
  const times = new Map<string, number>()
  for (const page of list) for (const key of new Set(pages[page]!.shapes.map(keyOf))) times.set(key, (times.get(key) ?? 0) + 1)
  return (s) => times.get(keyOf(s))! > PRINTED_PART * list.length
}

/** The box inside which lines are drawn, where many of them end at it. */
function frameOf(pages: readonly PdfPage[], list: readonly number[]): Box | null {
  const isPrinted = printedOn(pages, list)
  const ends = list.flatMap((page) =>
    pages[page]!.shapes.filter((s) => !s.closed && !isPrinted(s)).flatMap(({ path }) => {
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

/** Lines that run on over the edge of a page are so few, for each that ends at it, where lines were cut there. */
const OVER_EDGE_PART = 0.1

/** Were lines cut at this frame? Then they end at it; where each page draws all that it shows a part of, they run on over it. */
function areCutAt(pages: readonly PdfPage[], list: readonly number[], frame: Box): boolean {
  let [over, ending] = [0, 0]
  for (const i of list)
    for (const s of pages[i]!.shapes) {
      const b = boxOf(s)
      const isOver = (low: number, high: number, at: number) => low < at - RIM_MM && high > at + RIM_MM
      const isAt = (low: number, high: number, at: number) => Math.abs(low - at) <= RIM_MM || Math.abs(high - at) <= RIM_MM
      if (
        [frame.minX, frame.maxX].some((at) => isOver(b.minX, b.maxX, at)) ||
        [frame.minY, frame.maxY].some((at) => isOver(b.minY, b.maxY, at))
      )
        over += 1
      else if (
        !s.closed &&
        ([frame.minX, frame.maxX].some((at) => isAt(b.minX, b.maxX, at)) || [frame.minY, frame.maxY].some((at) => isAt(b.minY, b.maxY, at)))
      )
        ending += 1
    }
  return over <= OVER_EDGE_PART * ending
}

/** Two pages lie over each other by more than half either way: what they have in common is none of the sheet’s lines. */
function lieTooNear(places: ReadonlyMap<number, Point>, { width, height }: PdfPage): boolean {
  const all = [...places.values()]
  spend(all.length * all.length)
  return all.some((a, i) => all.slice(i + 1).some((b) => Math.abs(a.x - b.x) < width / 2 && Math.abs(a.y - b.y) < height / 2))
}

/** Pages counted in rows of so many, or down columns. */
function counted(n: number, columns: number, down: boolean): Layout {
  const rows = Math.ceil(n / columns)
  const spots = Array.from({ length: n }, (_, k): PageSpot =>
    down ? { column: Math.floor(k / rows), row: k % rows } : { column: k % columns, row: Math.floor(k / columns) },
  )
  return { spots, columns: down ? Math.ceil(n / rows) : columns }
}

const layoutOf = (spots: PageSpot[]): Layout => ({ spots, columns: Math.max(...spots.map((s) => s.column)) + 1 })

/**
 * Proposes how the pages of a file lie side by side: by lines that several of them draw whole, and the names on them; where lines were cut, by
 * where those that are cut at the edge of one page go on at another's, as the pages are named, else over the numbers of columns, with the usual
 * overlaps and those that common lines tell; else large ones apart, and others in rows.
 */
export function proposeGrid(pages: readonly PdfPage[]): PageGrid {
  const list = sheetPages(pages)
  const place = (at: (i: number) => Point): (Point | null)[] => pages.map((_, i) => (list.includes(i) ? at(i) : null))
  if (list.length <= 1) return { places: place(() => ({ x: 0, y: 0 })), columns: 1, trim: null, how: 'one-page', sure: true }
  // Sheets that are not as large as each other are not parts of one.
  if (new Set(list.map((i) => sizeOf(pages[i]!))).size > 1) return apart(pages, list)
  const turn = quarterTurn(pages, list)
  const said = spotsSaid(pages, list)
  // Pages that lie on their side or upside down are named and counted in another direction.
  const readings = [...said, ...(turn === 0 ? [] : said.map((spots) => turned(spots, turn)))]
  const { width, height } = pages[list[0]!]!
  const cutAt = frameOf(pages, list)
  const isCut = cutAt !== null && areCutAt(pages, list, cutAt)
  const same = byLinesOfBoth(pages, list, readings)
  if (same && !isCut) return sameGrid(same, place, null)
  const frame = cutAt ?? { minX: 0, minY: 0, maxX: width, maxY: height }
  const n = list.length
  const named = readings.map(layoutOf)
  const upright = [false, true].flatMap((down) => Array.from({ length: n }, (_, i) => counted(n, i + 1, down)))
  const inOrder = [...upright, ...(turn === 0 ? [] : upright.map(({ spots }) => layoutOf(turned(spots, turn))))]
  const overlaps = [...OVERLAPS, ...(same ? overlapsOf(same.places, frame) : [])]
  // Names that lines do not bear out are none of places.
  for (const [layouts, how] of [
    [named, 'page-names'],
    [inOrder, 'meeting-lines'],
  ] as const) {
    if (layouts.length === 0) continue
    const { score, layout, x, y } = byMeetingLines(pages, list, layouts, frame, overlaps)
    if (score > 0) return { ...laid(pages, list, layout, x, y, frame), how, sure: true }
  }
  if (same) return sameGrid(same, place, frame)
  if (named.length === 0 && list.every((i) => isLarge(pages[i]!))) return apart(pages, list)
  return laid(pages, list, named[0] ?? counted(n, Math.ceil(Math.sqrt(n)), false), 0, 0, frame)
}

/** Between sheets that do not belong together, mm. */
const APART_MM = 50

/** Each page is a sheet of its own: they lie in one row, apart. */
function apart(pages: readonly PdfPage[], list: readonly number[]): PageGrid {
  const places: (Point | null)[] = pages.map(() => null)
  let x = 0
  for (const i of list) {
    places[i] = { x, y: 0 }
    x += pages[i]!.width + APART_MM
  }
  return { places, columns: list.length, trim: null, how: 'apart', sure: true }
}

/** Where pages lie by lines that several of them draw whole, and whether their names say so, too. */
interface Same {
  places: ReadonlyMap<number, Point>
  isNamed: boolean
}

/** Places by lines that several pages draw whole, long ones first; null where they do not tell, or lay pages upon each other. */
function byLinesOfBoth(pages: readonly PdfPage[], list: readonly number[], readings: readonly PageSpot[][]): Same | null {
  for (const leastMm of [LEAST_SAME_MM, LEAST_CHORD_MM]) {
    const offset = offsetsOf(pages, list, leastMm)
    const named = bySaidSpots(list, readings, offset)
    const places = named ?? bySameLines(list, offset)
    if (places && !lieTooNear(places, pages[list[0]!]!)) return { places, isNamed: named !== null }
  }
  return null
}

function sameGrid({ places, isNamed }: Same, place: (at: (i: number) => Point) => (Point | null)[], trim: Box | null): PageGrid {
  const columns = new Set([...places.values()].map((p) => Math.round(p.x))).size
  return { places: place((i) => places.get(i)!), columns, trim, how: isNamed ? 'page-names' : 'same-lines', sure: true }
}

/** The overlaps that places tell, mm: what the frame is wider and higher than the least step from page to page. */
function overlapsOf(places: ReadonlyMap<number, Point>, frame: Box): number[] {
  const all = [...places.values()]
  const told = (axis: 'x' | 'y', wide: number) => {
    const steps = all.flatMap((a, i) => all.slice(i + 1).map((b) => Math.abs(a[axis] - b[axis]))).filter((step) => step > wide / 2)
    return steps.length > 0 ? [wide - Math.min(...steps)] : []
  }
  return [...told('x', frame.maxX - frame.minX), ...told('y', frame.maxY - frame.minY)].filter((mm) => mm >= 0)
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
  const [width, height] = [Math.max(...list.map((i) => pages[i]!.width)), Math.max(...list.map((i) => pages[i]!.height))]
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
