import { spend } from '../budget'
import { finishDrawing, type Drawing, type DrawnShape, type DrawnText, type PdfPage } from '../formats'
import {
  cutPath,
  distance,
  handleBoxOf,
  intersectPaths,
  line,
  measureLength,
  movePath,
  placeAt,
  PointGrid,
  type Box,
  type Path,
  type Point,
} from '../geometry'
import { refuse, type Result } from '../result'
import { joinCutLines, joinCutTexts } from './join-cut'
import type { PageGrid } from './propose-grid'

/** What stands at one place of so many of the pages belongs to the paper and not to the drawing. */
const FURNITURE_PART = 0.6
const LEAST_PAGES = 3
/** The same place on two pages, or the same line drawn on two, mm. */
const SAME_MM = 0.1
/** A page's own name: “A1”, “page 3 of 12”, “3 / 12”, “row 2, column 3”. */
const PAGE_WORDS = /^\s*(?:page|sheet|tile)\W*(?:[a-z]{0,2}\d{1,3}|[a-z])\s*(?:(?:of|\/|-)\s*\d{1,3})?\s*$|^\s*(?:row|column|page)\b.*\d/i
/** Signs and figures alone may be the name of a page, its letter at a joint, a size, or how many are cut. */
const PAGE_SIGNS = /^\s*(?:[a-z]{0,2}\d{1,3}|[a-z]|\d{1,3}[a-z])\s*(?:(?:of|\/|-)\s*\d{1,3})?\s*$/i
/** Those of the paper stand at one place, to this, mm, on so many of its pages. */
const SIGN_PLACE_MM = 3
const SIGN_PART = 0.25

const round = (v: number) => Math.round(v / SAME_MM)
const shapeKey = ({ path, style }: DrawnShape): string => {
  const [a, b] = [path[0]!.from, path[path.length - 1]!.to]
  const m = path[Math.floor(path.length / 2)]!.from
  const ends = [a, b].map((p) => `${round(p.x)},${round(p.y)}`).sort()
  return `${style}|${path.length}|${ends.join('|')}|${round(m.x)},${round(m.y)}`
}

/** Lines that were taken already, wherever figures of two pages are rounded apart. */
class SeenLines {
  private readonly places = new PointGrid<{ path: Path; style: string; page: number }>(SAME_MM)
  /** Was a line that lies and is drawn like this one taken from another page? If not, it is now. */
  has({ path, style }: DrawnShape, by: Point, page: number): boolean {
    const moved = movePath(path, by)
    const [from, to] = [moved[0]!.from, moved[moved.length - 1]!.to]
    const again = this.places
      .near(from)
      .some(
        ({ path: o, style: drawn, page: other }) =>
          other !== page &&
          drawn === style &&
          o.length === moved.length &&
          distance(o[o.length - 1]!.to, to) <= SAME_MM &&
          distance(o[o.length >> 1]!.from, moved[moved.length >> 1]!.from) <= SAME_MM,
      )
    if (!again) this.places.add(from, { path: moved, style, page })
    return again
  }
}

/** What every page has at one and the same place: frames, marks where pages meet, a maker's line. */
function furnitureOf(pages: readonly PdfPage[]): Set<string> {
  const times = new Map<string, number>()
  for (const p of pages) for (const key of new Set(p.shapes.map(shapeKey))) times.set(key, (times.get(key) ?? 0) + 1)
  const enough = Math.max(LEAST_PAGES, pages.length * FURNITURE_PART)
  return new Set([...times].flatMap(([key, n]) => (n >= enough ? [key] : [])))
}

const liesWithin = (a: Box, b: Box): boolean => a.minX >= b.minX && a.maxX <= b.maxX && a.minY >= b.minY && a.maxY <= b.maxY

/** The parts of a path that lie within a box. */
function within(path: Path, box: Box): Path[] {
  const corners: Point[] = [
    { x: box.minX, y: box.minY },
    { x: box.maxX, y: box.minY },
    { x: box.maxX, y: box.maxY },
    { x: box.minX, y: box.maxY },
  ]
  const isIn = (p: Point) =>
    p.x >= box.minX - SAME_MM && p.x <= box.maxX + SAME_MM && p.y >= box.minY - SAME_MM && p.y <= box.maxY + SAME_MM
  const total = measureLength(path)
  const rim = corners.flatMap((a, i) => intersectPaths(path, [line(a, corners[(i + 1) % 4]!)]).map((hit) => hit.firstMm))
  const places = [0, ...rim.sort((a, b) => a - b), total]
  spend(places.length)
  const parts: Path[] = []
  for (let i = 1; i < places.length; i++) {
    const [from, to] = [places[i - 1]!, places[i]!]
    if (to - from < SAME_MM || !isIn(placeAt(path, (from + to) / 2).point)) continue
    const part = cutPath(path, from, to)
    if (part.length > 0) parts.push(part)
  }
  return parts
}

/**
 * The pages of a file put together as one drawing: each page where the grid has it; what belongs to the paper is left out,
 * what two pages show is taken once, lines that were cut at the edge of a page are trimmed to where the next goes on.
 */
export function assemblePages(pages: readonly PdfPage[], grid: PageGrid): Result<Drawing> {
  const shapes: DrawnShape[] = []
  const cut: DrawnShape[] = []
  const texts: DrawnText[] = []
  const used = pages.filter((_, i) => grid.places[i] != null)
  const furniture = grid.how === 'one-page' ? new Set<string>() : furnitureOf(used)
  const isSign = signsOf(used)
  const seen = new SeenLines()
  const corner = { x: Infinity, y: Infinity }
  const far = { x: -Infinity, y: -Infinity }
  for (const [i, page] of pages.entries()) {
    const at = grid.places[i]
    if (!at) continue
    corner.x = Math.min(corner.x, at.x)
    corner.y = Math.min(corner.y, at.y)
    far.x = Math.max(far.x, at.x + page.width)
    far.y = Math.max(far.y, at.y + page.height)
    const trim = grid.trim && trimOf(grid, i)
    for (const s of page.shapes) {
      spend(s.path.length)
      if (furniture.has(shapeKey(s))) continue
      // Where pages are trimmed, no two show the same; where each draws everything, a line is taken from the first.
      if (!grid.trim && used.length > 1 && seen.has(s, at, i)) continue
      const parts = trim && !liesWithin(handleBoxOf(s.path), trim) ? within(s.path, trim) : [s.path]
      const isWhole = parts.length === 1 && Math.abs(measureLength(parts[0]!) - measureLength(s.path)) < SAME_MM
      for (const part of isWhole ? [s.path] : parts)
        (isWhole && !endsAtRim(part, trim) ? shapes : cut).push({ ...s, path: movePath(part, at), closed: s.closed && isWhole })
    }
    for (const t of page.texts) {
      spend(texts.length + used.reduce((n, p) => n + p.texts.length, 0))
      const by = (p: Point): Point => ({ x: p.x + at.x, y: p.y + at.y })
      const moved = { ...t, at: by(t.at), middle: by(t.middle), end: by(t.end) }
      const again = texts.some((o) => o.text === t.text && distance(o.at, moved.at) < 1)
      const isOfPaper =
        used.length > 1 &&
        (PAGE_WORDS.test(t.text) ||
          isSign(t) ||
          used.filter((p) => p.texts.some((o) => o.text === t.text && distance(o.at, t.at) < 1)).length >=
            Math.max(LEAST_PAGES, used.length * FURNITURE_PART))
      if (!again && !isOfPaper) texts.push(moved)
    }
  }
  const page = shapes.length + cut.length > 0 ? { minX: corner.x, minY: corner.y, maxX: far.x, maxY: far.y } : null
  const all = [...shapes, ...joinCutLines(cut)].map((s, i) => ({ ...s, index: i + 1 }))
  return finishDrawing(
    { shapes: all, texts: used.length > 1 ? joinCutTexts(texts) : texts, mmPerUnit: 1, scaleFrom: 'pt', page },
    (where, message) => refuse('pdf-unreadable', where, message, 'Choose other pages; nothing was changed here.'),
  )
}

/** Tells signs that are of the paper: those that stand where others do on other pages. */
function signsOf(pages: readonly PdfPage[]): (t: DrawnText) => boolean {
  const signs = pages.flatMap((page, i) => page.texts.filter((t) => PAGE_SIGNS.test(t.text)).map((t) => ({ i, at: t.at })))
  const places = new PointGrid<number>(SIGN_PLACE_MM)
  for (const { i, at } of signs) places.add(at, i)
  const least = Math.max(2, SIGN_PART * pages.length)
  return (t) => PAGE_SIGNS.test(t.text) && new Set(places.near(t.at)).size >= least
}

/** Does a line end where its page does? */
function endsAtRim(path: Path, trim: Box | null): boolean {
  if (!trim) return false
  const atRim = (p: Point) => [p.x - trim.minX, p.x - trim.maxX, p.y - trim.minY, p.y - trim.maxY].some((d) => Math.abs(d) <= RIM_MM)
  return atRim(path[0]!.from) || atRim(path[path.length - 1]!.to)
}

/** A line ends at the edge of its page to this, mm. */
const RIM_MM = 0.4

/** The part of a page that counts: to where its neighbours begin. */
function trimOf(grid: PageGrid, i: number): Box {
  const { minX, minY, maxX, maxY } = grid.trim!
  const at = grid.places[i]!
  const ahead = (axis: 'x' | 'y', other: 'x' | 'y') =>
    grid.places.flatMap((p) => (p && p[axis] > at[axis] + 1 && Math.abs(p[other] - at[other]) < 1 ? [p[axis] - at[axis]] : []))
  const right = Math.min(...ahead('x', 'y'), Infinity)
  const down = Math.min(...ahead('y', 'x'), Infinity)
  return { minX, minY, maxX: Math.min(maxX, minX + right), maxY: Math.min(maxY, minY + down) }
}
