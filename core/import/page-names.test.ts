import { describe, expect, it } from 'vitest'
import type { DrawnShape, DrawnText, PdfPage } from '../formats'
import { line, type Point } from '../geometry'
import { proposeGrid } from './index'
import { spotsSaid } from './page-names'

const at = (x: number, y: number): Point => ({ x, y })
const text = (words: string, x = 20, y = 15): DrawnText => ({
  text: words,
  at: at(x, y),
  middle: at(x + 5, y),
  end: at(x + 10, y),
  heightMm: 5,
  groups: [],
})
const page = (number: number, texts: DrawnText[], shapes: DrawnShape[] = []): PdfPage => ({
  number,
  width: 210,
  height: 297,
  shapes,
  texts,
  pictures: 0,
})
const named = (...names: string[]) => names.map((name, i) => page(i + 1, [text(name), text('Front', 90, 140)]))
const all = (pages: readonly PdfPage[]) => pages.map((_, i) => i)

describe('the names that are printed on pages', () => {
  it.each<[string, string[], string[]]>([
    ['a letter and a figure', ['A1', 'A2', 'B1', 'B2'], ['0,0', '0,1', '1,0', '1,1']],
    ['a figure and a letter, in any order', ['2b', '1a', '2a', '1b'], ['1,1', '0,0', '1,0', '0,1']],
    ['two figures', ['1-1', '1-2', '2-1', '2-2'], ['0,0', '0,1', '1,0', '1,1']],
    ['a word before', ['Page A1', 'Page B1', 'Page A2', 'Page B2'], ['0,0', '1,0', '0,1', '1,1']],
    [
      'words',
      ['row 1 of 2, column 1 of 2', 'row 1 of 2, column 2 of 2', 'row 2 of 2, column 1 of 2', 'row 2 of 2, column 2 of 2'],
      ['0,0', '0,1', '1,0', '1,1'],
    ],
    [
      'words the other way round',
      ['Column 3, Row 1', 'Column 4, Row 1', 'Column 3, Row 2', 'Column 4, Row 2'],
      ['0,0', '0,1', '1,0', '1,1'],
    ],
    ['a sheet of one row', ['row 1, col 1', 'row 1, col 2', 'row 1, col 3'], ['0,0', '0,1', '0,2']],
  ])('are read as rows and columns: %s', (_, names, spots) => {
    const pages = named(...names)
    const readings = spotsSaid(pages, all(pages)).map((r) => r.map((s) => `${s.row},${s.column}`))
    expect(readings).toContainEqual(spots)
  })
  it.each<[string, string[]]>([
    ['pages that are only counted', ['Page 1 of 4', 'Page 2 of 4', 'Page 3 of 4', 'Page 4 of 4']],
    ['a name that two pages have', ['A1', 'A2', 'A2', 'B1']],
    ['a page without one', ['A1', 'A2', 'B1', 'glue here']],
  ])('are no names of places: %s', (_, names) => {
    const pages = named(...names)
    expect(spotsSaid(pages, all(pages))).toEqual([])
  })
  it('stand at one place of every page: what lies about on the pattern is none', () => {
    const pages = ['A1', 'A2', 'B1', 'B2'].map((name, i) => page(i + 1, [text(name, 20 + 45 * i, 60 * i + 20)]))
    expect(spotsSaid(pages, all(pages))).toEqual([])
  })
})

/** Slanted lines over a sheet of so many pages, cut at the edges of each. */
function cutPages(columns: number, rows: number, name: (column: number, row: number) => string): PdfPage[] {
  const [w, h, rim] = [190, 277, 10]
  const lines = [
    [at(12, 40), at(columns * w - 20, rows * h - 60)],
    [at(30, rows * h - 15), at(columns * w - 35, 22)],
    [at(8, 150), at(columns * w - 9, 330)],
    [at(90, 5), at(130, rows * h - 9)],
  ] as const
  const cut = (from: Point, to: Point, column: number, row: number): DrawnShape[] => {
    const inside = (t: number) => {
      const [x, y] = [from.x + (to.x - from.x) * t, from.y + (to.y - from.y) * t]
      return x >= column * w && x <= (column + 1) * w && y >= row * h && y <= (row + 1) * h
    }
    const steps = Array.from({ length: 20001 }, (_, i) => i / 20000).filter(inside)
    if (steps.length < 2) return []
    const place = (t: number) => at(from.x + (to.x - from.x) * t - column * w + rim, from.y + (to.y - from.y) * t - row * h + rim)
    return [
      {
        index: 0,
        name: '',
        groups: [],
        style: '#000',
        isDashed: false,
        isArea: false,
        hasMarkers: false,
        path: [line(place(steps[0]!), place(steps[steps.length - 1]!))],
        closed: false,
      },
    ]
  }
  return Array.from({ length: columns * rows }, (_, k) => {
    const [column, row] = [k % columns, Math.floor(k / columns)]
    return page(
      k + 1,
      [text(name(column, row))],
      lines.flatMap(([from, to]) => cut(from, to, column, row)),
    )
  })
}

describe('pages that say where they lie', () => {
  it.each<[string, (c: number, r: number) => string]>([
    ['row by letter', (c, r) => `${'ABCD'[r]}${c + 1}`],
    ['column by letter', (c, r) => `${'ABCD'[c]}${r + 1}`],
    ['row and column in words', (c, r) => `Row ${r + 1}, column ${c + 1}`],
  ])('are put together so, in whatever order they come, and where some were left out: %s', (_, name) => {
    const pages = cutPages(4, 3, name)
    const kept = [7, 2, 11, 0, 5, 8, 3, 10, 1, 6, 9].map((i) => pages[i]!)
    const grid = proposeGrid(kept)
    expect(grid.how).toBe('page-names')
    expect(grid.sure).toBe(true)
    for (const [k, p] of kept.entries()) {
      const [column, row] = [(p.number - 1) % 4, Math.floor((p.number - 1) / 4)]
      expect(grid.places[k]!.x).toBeCloseTo(column * 190, 0)
      expect(grid.places[k]!.y).toBeCloseTo(row * 277, 0)
    }
  })
  it('but whose lines do not bear that out are put together by their lines', () => {
    const wrong = cutPages(4, 3, (c, r) => `${'ABCD'[(c * 5 + r * 2 + 1) % 4]}${((c + r) % 3) + 1}`)
    const grid = proposeGrid(wrong)
    expect(grid.how).toBe('meeting-lines')
    expect(grid.columns).toBe(4)
  })
})
