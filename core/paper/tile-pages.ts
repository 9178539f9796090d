import { flattenPath, type Point } from '../geometry'
import { FLATTEN_MM } from '../tolerances'
import type { Sheet } from './sheet'

export interface PaperSize {
  name: string
  widthMm: number
  heightMm: number
}

export const PAPER_SIZES: Record<'a4' | 'letter', PaperSize> = {
  a4: { name: 'A4', widthMm: 210, heightMm: 297 },
  letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
}

/** White rim that home printers leave, mm. */
export const MARGIN_MM = 10
/** How far neighbouring pages share the drawing, mm: a strip to glue on. */
export const OVERLAP_MM = 10

export interface Page {
  column: number
  row: number
  /** “B3”: column letter, row figure. */
  name: string
  /** Left and top of the page's window on the sheet, mm. */
  x: number
  y: number
  /** Nothing of any piece falls on it. */
  empty: boolean
}

export interface Tiling {
  paper: PaperSize
  columns: number
  rows: number
  /** The part of the sheet a page shows, overlap included, mm. */
  windowWidthMm: number
  windowHeightMm: number
  pages: Page[]
}

const columnName = (i: number): string => (i < 26 ? '' : String.fromCharCode(64 + Math.floor(i / 26))) + String.fromCharCode(65 + (i % 26))

interface Window {
  x: number
  y: number
  w: number
  h: number
}

/** Does a chord touch a window? Clipped against it (Liang and Barsky, 1984). */
function touches(a: Point, b: Point, { x, y, w, h }: Window): boolean {
  let t0 = 0
  let t1 = 1
  const clip = (p: number, q: number): boolean => {
    if (p === 0) return q >= 0
    const r = q / p
    if (p < 0) t0 = Math.max(t0, r)
    else t1 = Math.min(t1, r)
    return t0 <= t1
  }
  const dx = b.x - a.x
  const dy = b.y - a.y
  return clip(-dx, a.x - x) && clip(dx, x + w - a.x) && clip(-dy, a.y - y) && clip(dy, y + h - a.y)
}

/**
 * Cuts a sheet into pages: neighbouring windows share an overlap; pages on which nothing is drawn are marked empty.
 */
export function tilePages(sheet: Sheet, paper: PaperSize): Tiling {
  const windowWidthMm = paper.widthMm - 2 * MARGIN_MM
  const windowHeightMm = paper.heightMm - 2 * MARGIN_MM
  const stepX = windowWidthMm - OVERLAP_MM
  const stepY = windowHeightMm - OVERLAP_MM
  const columns = Math.max(1, Math.ceil((sheet.widthMm - OVERLAP_MM) / stepX))
  const rows = Math.max(1, Math.ceil((sheet.heightMm - OVERLAP_MM) / stepY))
  const windowAt = (column: number, row: number): Window => ({ x: column * stepX, y: row * stepY, w: windowWidthMm, h: windowHeightMm })
  const hit = new Set<string>()
  /** Marks the pages that a chord touches; only those round it are looked at. */
  const mark = (a: Point, b: Point) => {
    const first = (low: number, step: number, size: number) => Math.max(0, Math.floor((low - size) / step))
    const last = (high: number, step: number, count: number) => Math.min(count - 1, Math.ceil(high / step))
    for (let row = first(Math.min(a.y, b.y), stepY, windowHeightMm); row <= last(Math.max(a.y, b.y), stepY, rows); row++)
      for (let column = first(Math.min(a.x, b.x), stepX, windowWidthMm); column <= last(Math.max(a.x, b.x), stepX, columns); column++)
        if (touches(a, b, windowAt(column, row))) hit.add(`${column} ${row}`)
  }
  for (const p of sheet.pieces)
    // Chords close to the curves, and the grain.
    for (const points of [flattenPath(p.cutLine, FLATTEN_MM), flattenPath(p.seamLine, FLATTEN_MM), [p.grain.from, p.grain.to]])
      for (let i = 0; i + 1 < points.length; i++) mark(points[i]!, points[i + 1]!)
  const pages: Page[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const { x, y } = windowAt(column, row)
      pages.push({ column, row, name: `${columnName(column)}${row + 1}`, x, y, empty: !hit.has(`${column} ${row}`) })
    }
  return { paper, columns, rows, windowWidthMm, windowHeightMm, pages }
}
