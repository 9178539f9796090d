import { flattenPath } from '../geometry'
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

/** Does a path touch a window? Tested on chords close to the curve. */
function touches(points: readonly { x: number; y: number }[], x: number, y: number, w: number, h: number): boolean {
  for (let i = 0; i + 1 < points.length; i++) {
    const a = points[i]!
    const b = points[i + 1]!
    // Liang-Barsky clip of the chord against the window.
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
    if (clip(-dx, a.x - x) && clip(dx, x + w - a.x) && clip(-dy, a.y - y) && clip(dy, y + h - a.y)) return true
  }
  return false
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
  const drawn = sheet.pieces.map((p) => ({
    lines: [p.cutLine, p.seamLine].map((path) => flattenPath(path, FLATTEN_MM)),
    grain: [p.grain.from, p.grain.to],
  }))
  const pages: Page[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = column * stepX
      const y = row * stepY
      const hit = drawn.some((d) => [...d.lines, d.grain].some((points) => touches(points, x, y, windowWidthMm, windowHeightMm)))
      pages.push({ column, row, name: `${columnName(column)}${row + 1}`, x, y, empty: !hit })
    }
  return { paper, columns, rows, windowWidthMm, windowHeightMm, pages }
}
