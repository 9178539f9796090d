import { spend } from '../budget'
import type { PdfPage } from '../formats'
import type { Box, Point } from '../geometry'
import { byMeetingLines, type Layout } from './meeting-lines'
import { areCutAt, frameOf } from './page-frame'
import { spotsSaid, type PageSpot } from './page-names'
import { isLarge, ofOneSize, quarterTurn, sheetPages, turned } from './sheet-pages'
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
/** Overlaps that pages are printed with, mm. */
const OVERLAPS = [0, 5, 6, 6.35, 7, 8, 10, 12, 12.7, 15, 18, 20, 25, 25.4, 30]

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

/** Proposes how the pages of a file lie: put together where they are parts of one sheet, else large ones apart, and others in rows. */
export function proposeGrid(pages: readonly PdfPage[]): PageGrid {
  const list = sheetPages(pages)
  if (list.length <= 1) {
    const places = pages.map((_, i) => (list.includes(i) ? { x: 0, y: 0 } : null))
    return { places, columns: 1, trim: null, how: 'one-page', sure: true }
  }
  // The parts of one sheet are as large as each other.
  const parts = ofOneSize(pages, list)
  const joined = parts.length > 1 ? joinPages(pages, parts) : null
  return joined && (joined.sure || !list.every((i) => isLarge(pages[i]!))) ? joined : apart(pages, list)
}

/**
 * Pages of one size side by side: by lines that several of them draw whole, and the names on them; where lines were cut, by where those that are
 * cut at the edge of one page go on at another's, as the pages are named, else over the numbers of columns, with the usual overlaps and those
 * that common lines tell; else in rows, which is not sure.
 */
function joinPages(pages: readonly PdfPage[], list: readonly number[]): PageGrid {
  const place = (at: (i: number) => Point): (Point | null)[] => pages.map((_, i) => (list.includes(i) ? at(i) : null))
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
  if (list.length === 0) return { places: pages.map(() => null), columns: 1, trim: null, how: 'in-rows', sure: false }
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
