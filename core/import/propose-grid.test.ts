import { describe, expect, it } from 'vitest'
import { bounded } from '../budget'
import type { PdfPage } from '../formats'
import { line, type Point } from '../geometry'
import { ok } from '../result'
import { proposeGrid } from './index'
import { drawnStroke, type Stroke } from './test-outlines'

const at = (x: number, y: number): Point => ({ x, y })

const [W, H, RIM] = [190, 277, 10]

/** A stroke within a box (Liang and Barsky); null where it lies outside. */
function within([a, b]: Stroke, minX: number, minY: number): Stroke | null {
  let [from, to] = [0, 1]
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  for (const [p, q] of [
    [-dx, a.x - minX],
    [dx, minX + W - a.x],
    [-dy, a.y - minY],
    [dy, minY + H - a.y],
  ] as const) {
    if (p === 0 && q < 0) return null
    if (p < 0) from = Math.max(from, q / p)
    if (p > 0) to = Math.min(to, q / p)
  }
  return from >= to ? null : [at(a.x + dx * from, a.y + dy * from), at(a.x + dx * to, a.y + dy * to)]
}

/** Pages in rows over a sheet of strokes: each shows a part of it, cut at its edges or whole. */
function pagesOf(strokes: readonly Stroke[], columns: number, rows: number, overlap: number, isCut: boolean): PdfPage[] {
  return Array.from({ length: columns * rows }, (_, k) => {
    const [left, top] = [(k % columns) * (W - overlap), Math.floor(k / columns) * (H - overlap)]
    const shown = strokes.flatMap((s) => (isCut ? (within(s, left, top) ?? []) : s)) as Point[]
    const onPage = Array.from({ length: shown.length / 2 }, (__, i): Stroke => {
      const [a, b] = [shown[2 * i]!, shown[2 * i + 1]!]
      return [at(a.x - left + RIM, a.y - top + RIM), at(b.x - left + RIM, b.y - top + RIM)]
    })
    return { number: k + 1, width: W + 2 * RIM, height: H + 2 * RIM, shapes: onPage.map(drawnStroke), texts: [], pictures: 0 }
  })
}

/** Outlines of pieces, as slanted and steep strokes, over a sheet so large. */
const outlines = (wide: number, high: number): Stroke[] => [
  [at(12, 40), at(wide - 20, high - 60)],
  [at(30, high - 15), at(wide - 35, 22)],
  [at(8, 150), at(wide - 9, 330)],
  [at(90, 5), at(130, high - 9)],
  [at(wide - 70, 12), at(wide - 110, high - 30)],
  [at(15, high - 90), at(wide - 30, high - 150)],
]
/** Lines every 100 mm both ways, as a ground is drawn. */
const ground = (wide: number, high: number): Stroke[] => [
  ...Array.from({ length: Math.floor(wide / 100) }, (_, i): Stroke => [at((i + 1) * 100, 0), at((i + 1) * 100, high)]),
  ...Array.from({ length: Math.floor(high / 100) }, (_, i): Stroke => [at(0, (i + 1) * 100), at(wide, (i + 1) * 100)]),
]

describe('how pages lie', () => {
  it.each([
    [0, false],
    [0, true],
    [4.2, false],
    [9, true],
    [11.3, true],
    [12.7, false],
    [17.5, true],
    [33, false],
  ])('is told by the lines that were cut at them: overlap %d mm, on a ground of lines: %s', (overlap, hasGround) => {
    const [columns, rows] = [5, 3]
    const [wide, high] = [columns * (W - overlap) + overlap, rows * (H - overlap) + overlap]
    const pages = pagesOf([...outlines(wide, high), ...(hasGround ? ground(wide, high) : [])], columns, rows, overlap, true)
    const grid = proposeGrid(pages)
    expect(grid).toMatchObject({ columns, sure: true, how: 'meeting-lines', trim: { minX: RIM, maxX: RIM + W, minY: RIM, maxY: RIM + H } })
    for (const [k, place] of grid.places.entries()) {
      expect(place!.x).toBeCloseTo((k % columns) * (W - overlap), 0)
      expect(place!.y).toBeCloseTo(Math.floor(k / columns) * (H - overlap), 0)
    }
    expect(Math.abs(grid.places[1]!.x - (W - overlap))).toBeLessThan(0.06)
    expect(Math.abs(grid.places[columns]!.y - (H - overlap))).toBeLessThan(0.06)
  })

  it('is told by lines that several of them draw whole; nothing is cut off then', () => {
    const pages = pagesOf(outlines(900, 800), 5, 3, 9, false)
    const grid = proposeGrid(pages)
    expect(grid).toMatchObject({ columns: 5, how: 'same-lines', trim: null })
    expect(grid.places[6]).toMatchObject({ x: expect.closeTo(W - 9, 6) as number, y: expect.closeTo(H - 9, 6) as number })
  })

  it('is told as exactly as the lines tell, where a program rounded the steps of named pages', () => {
    const [columns, rows] = [5, 3]
    // So far a page lies off its even place: a point of a screen, on every second row and column.
    const off = (k: number) => at(((k % columns) % 2) * 0.26, (Math.floor(k / columns) % 2) * 0.26)
    const pages = pagesOf(outlines(900, 800), columns, rows, 0, false).map((page, k) => {
      const text = `${'ABC'[Math.floor(k / columns)]}${(k % columns) + 1}`
      const name = { text, at: at(20, 5), middle: at(23, 5), end: at(26, 5), heightMm: 4, groups: [] }
      const by = ({ x, y }: Point) => at(x - off(k).x, y - off(k).y)
      const shapes = page.shapes.map((s) => ({ ...s, path: s.path.map((l) => line(by(l.from), by(l.to))) }))
      return { ...page, shapes, texts: [name] }
    })
    const grid = proposeGrid(pages)
    expect(grid).toMatchObject({ columns, how: 'page-names', trim: null })
    for (const [k, place] of grid.places.entries()) {
      expect(place!.x).toBeCloseTo((k % columns) * W + off(k).x, 6)
      expect(place!.y).toBeCloseTo(Math.floor(k / columns) * H + off(k).y, 6)
    }
  })

  it('is not looked for beyond a budget, however many lines cross the edges', () => {
    const hatching = (k: number): Stroke[] =>
      Array.from({ length: 1500 }, (_, i): Stroke => [at(RIM, RIM + (i * H) / 1500), at(RIM + W, RIM + (((i * 7 + k) % 1500) * H) / 1500)])
    const pages = pagesOf([], 4, 2, 0, true).map((p, k) => ({ ...p, shapes: hatching(k).map(drawnStroke) }))
    expect(bounded('pages', () => ok(proposeGrid(pages)), 500_000)).toMatchObject({ ok: false, problem: { code: 'too-much-work' } })
  })

  it('is not told by what is printed at one place of each page, as ticks in its margin are', () => {
    const ticks: Stroke[] = [
      [at(4, 22), at(4, 34)],
      [at(40, 4), at(52, 4)],
    ]
    const pages = pagesOf(outlines(950, 831), 5, 3, 0, true).map((p) => ({
      ...p,
      shapes: [...p.shapes, ...ticks.map((t, i) => drawnStroke(t, 90 + i))],
    }))
    expect(proposeGrid(pages)).toMatchObject({ columns: 5, how: 'meeting-lines', trim: { minX: RIM, minY: RIM } })
  })
})
