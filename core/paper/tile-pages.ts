import { flattenPath, line, type Path, type Point } from '../geometry'
import { FLATTEN_MM } from '../tolerances'
import { roomOf } from './place-words'
import { MARGIN_MM, OVERLAP_MM, type PaperSize } from './paper-sizes'
import type { Sheet } from './sheet'

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

/** Where two pages meet: a mark that is drawn half on each of them, with the same letter on both sides. */
export interface Joint {
  letter: string
  /** Middle of the mark on the sheet, mm. */
  x: number
  y: number
  /** The line on which the second page's edge comes to lie. */
  along: 'down' | 'across'
  /** Names of the two pages. */
  pages: [string, string]
  /** How long the joint is, mm. */
  lengthMm: number
}

/** The pages of a sheet. */
export interface PageGrid {
  paper: PaperSize
  marginMm: number
  columns: number
  rows: number
  /** The part of the sheet a page shows, overlap included, mm. */
  windowWidthMm: number
  windowHeightMm: number
  pages: Page[]
}

/** The pages of a sheet with the marks by which they are put together. */
export interface Tiling extends PageGrid {
  joints: Joint[]
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
  // Most lie wholly on one side of it.
  if ((a.x < x && b.x < x) || (a.y < y && b.y < y) || (a.x > x + w && b.x > x + w) || (a.y > y + h && b.y > y + h)) return false
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

/** Half the height of a joint’s mark, mm: it lies within the strip that both pages show. */
export const JOINT_MM = 6

/** Parts of a joint at which its mark may stand, the best first. */
const JOINT_PLACES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.45, 0.55, 0.35, 0.65, 0.2, 0.8, 0.25, 0.75, 0.15, 0.85]

/** Joints of pages that both are printed, in reading order; each mark stands where nothing is drawn or written, if there is such a place. */
function jointsOf(pages: readonly Page[], windowWidthMm: number, windowHeightMm: number, isFree: (box: Window) => boolean): Joint[] {
  const at = new Map(pages.filter((p) => !p.empty).map((p) => [`${p.column} ${p.row}`, p]))
  const box = ({ x, y }: Point): Window => ({ x: x - JOINT_MM, y: y - JOINT_MM, w: 2 * JOINT_MM, h: 2 * JOINT_MM })
  const place = (along: (part: number) => Point): Point => {
    const part = JOINT_PLACES.find((p) => isFree(box(along(p)))) ?? JOINT_PLACES[0]!
    return along(part)
  }
  const found = [...at.values()].flatMap((page): Omit<Joint, 'letter'>[] => {
    const [right, below] = [at.get(`${page.column + 1} ${page.row}`), at.get(`${page.column} ${page.row + 1}`)]
    const joints: Omit<Joint, 'letter'>[] = []
    if (right)
      joints.push({
        ...place((part) => ({ x: right.x, y: page.y + windowHeightMm * part })),
        along: 'down',
        pages: [page.name, right.name],
        lengthMm: windowHeightMm,
      })
    if (below)
      joints.push({
        ...place((part) => ({ x: page.x + windowWidthMm * part, y: below.y })),
        along: 'across',
        pages: [page.name, below.name],
        lengthMm: windowWidthMm,
      })
    return joints
  })
  return found.map((joint, i) => ({ ...joint, letter: columnName(i).toLowerCase() }))
}

/** What pages are to be put together with: joints that are glued, and about how much tape, mm. */
export const tapeFor = (tiling: Tiling): { joints: number; tapeMm: number } => ({
  joints: tiling.joints.length,
  tapeMm: tiling.joints.reduce((sum, j) => sum + j.lengthMm, 0),
})

/** The lines on which pages end within a sheet, and those on which the next ones begin: across the whole of it. */
export function pageEdgesOf({ columns, rows, windowWidthMm, windowHeightMm }: PageGrid): Path[] {
  const steps = (count: number, windowMm: number) =>
    Array.from({ length: count - 1 }, (_, i) => (i + 1) * (windowMm - OVERLAP_MM)).flatMap((mm) => [mm, mm + OVERLAP_MM])
  const [right, bottom] = [columns * windowWidthMm, rows * windowHeightMm]
  return [
    ...steps(columns, windowWidthMm).map((x) => [line({ x, y: 0 }, { x, y: bottom })]),
    ...steps(rows, windowHeightMm).map((y) => [line({ x: 0, y }, { x: right, y })]),
  ]
}

/** The map of more pages than this has a page of its own. */
const PAGES_BESIDE_MAP = 4

/** Pages before the drawing: one with the squares and the map, or two where the map needs its own. */
export const frontPages = (tiling: Tiling): 1 | 2 => (tiling.pages.filter((p) => !p.empty).length <= PAGES_BESIDE_MAP ? 1 : 2)

/** The same pages without some of them, by name; joints with them go too. */
export function withoutPages(tiling: Tiling, names: readonly string[]): Tiling {
  return {
    ...tiling,
    pages: tiling.pages.map((p) => ({ ...p, empty: p.empty || names.includes(p.name) })),
    joints: tiling.joints.filter((j) => !j.pages.some((name) => names.includes(name))),
  }
}

/** All long lines on a sheet, the grain too, as chords close to them: they say which pages are not empty. */
const longChords = (sheet: Sheet): (readonly [Point, Point])[] =>
  sheet.pieces.flatMap((p) =>
    [
      ...[p.cutLine, p.seamLine, ...p.others.map((o) => o.cutLine)].map((path) => flattenPath(path, FLATTEN_MM)),
      [p.grain.from, p.grain.to],
    ].flatMap((points) => points.slice(1).map((b, i) => [points[i]!, b] as const)),
  )

/**
 * Cuts a sheet into pages: neighbouring windows share an overlap; pages on which nothing is drawn are marked empty.
 *
 * @param marginMm rim that the printer leaves white
 */
export const cutIntoPages = (sheet: Sheet, paper: PaperSize, marginMm = MARGIN_MM): PageGrid =>
  gridOver(longChords(sheet), sheet, paper, marginMm)

function gridOver(chords: readonly (readonly [Point, Point])[], sheet: Sheet, paper: PaperSize, marginMm: number): PageGrid {
  const windowWidthMm = paper.widthMm - 2 * marginMm
  const windowHeightMm = paper.heightMm - 2 * marginMm
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
  for (const [a, b] of chords) mark(a, b)
  const pages: Page[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const { x, y } = windowAt(column, row)
      pages.push({ column, row, name: `${columnName(column)}${row + 1}`, x, y, empty: !hit.has(`${column} ${row}`) })
    }
  return { paper, marginMm, columns, rows, windowWidthMm, windowHeightMm, pages }
}

/**
 * The pages of a sheet; every two that meet share a mark with a letter, where nothing is drawn or written.
 *
 * @param marginMm rim that the printer leaves white
 */
export function tilePages(sheet: Sheet, paper: PaperSize, marginMm = MARGIN_MM): Tiling {
  const chords = longChords(sheet)
  const grid = gridOver(chords, sheet, paper, marginMm)
  const within = sheet.pieces.flatMap((p) =>
    [...p.notches, ...p.folds, ...p.innerLines.map((l) => l.path)].flat().map((s) => [s.from, s.to] as const),
  )
  const rooms = sheet.pieces.flatMap((p) => p.words.map(roomOf))
  const drawn = [...chords, ...within]
  const isFree = (box: Window) =>
    !drawn.some(([a, b]) => touches(a, b, box)) &&
    !rooms.some(
      ({ middle, halfMm }) =>
        Math.abs(middle.x - box.x - box.w / 2) < halfMm + box.w / 2 && Math.abs(middle.y - box.y - box.h / 2) < halfMm + box.h / 2,
    )
  return { ...grid, joints: jointsOf(grid.pages, grid.windowWidthMm, grid.windowHeightMm, isFree) }
}
