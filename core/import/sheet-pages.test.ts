import { describe, expect, it } from 'vitest'
import type { PdfPage } from '../formats'
import { gridInRows, proposeGrid } from './propose-grid'
import { drawnStroke } from './test-outlines'

const at = (x: number, y: number) => ({ x, y })
/** A page with straight lines drawn on it. */
const page = (width: number, height: number, lines: [number, number, number, number][]): PdfPage => ({
  number: 1,
  width,
  height,
  shapes: lines.map(([a, b, c, d], i) => drawnStroke([at(a, b), at(c, d)], i + 1)),
  texts: [],
  pictures: 0,
})

const [A0, A2, A4] = [
  [841, 1189],
  [420, 594],
  [210, 297],
] as const
const drawn = (size: readonly [number, number], from = 50) => page(size[0], size[1], [[from, from, from + 100, from + 40]])

describe('the pages of a sheet', () => {
  it('are those of the size that covers most paper: one large sheet, and not three pages of instructions', () => {
    const grid = proposeGrid([drawn(A4), drawn(A4), drawn(A0), drawn(A4)])
    expect(grid).toMatchObject({ how: 'one-page', places: [null, null, at(0, 0), null] })
  })
  it('are sheets of their own where large ones do not meet, as large as each other or not, and do not overlap', () => {
    for (const second of [A0, A2]) {
      const grid = proposeGrid([drawn(A4), drawn(A0), drawn(second, 90)])
      expect(grid).toMatchObject({ how: 'apart', trim: null, sure: true })
      expect(grid.places[0]).toBeNull()
      expect(grid.places[2]!.x).toBeGreaterThan(grid.places[1]!.x + A0[0])
    }
  })
  it('stay joined where a large sheet was cut in two, with another large page beside them', () => {
    // Each half draws all that it shows a part of, in several lines that run over the joint.
    const across = (shift: number): [number, number, number, number][] =>
      [100, 333, 571, 1000].map((y, i) => [700 - shift, y, 900 - shift, y + 60 + 7 * i])
    const grid = proposeGrid([page(841, 1189, across(0)), page(841, 1189, across(800)), drawn(A2)])
    expect(grid.how).toBe('same-lines')
    expect(grid.places[1]!.x).toBeCloseTo(800, 3)
    expect(grid.places[2]).toBeNull()
  })
  it('are none where nothing is drawn, also where a person lays them in rows', () => {
    const empty = [page(210, 297, []), page(210, 297, [])]
    expect(proposeGrid(empty).places).toEqual([null, null])
    expect(gridInRows(empty, { columns: 2, overlapX: 0, overlapY: 0, down: false })).toMatchObject({ places: [null, null], trim: null })
  })
})
