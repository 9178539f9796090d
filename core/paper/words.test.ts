import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan } from '../changes'
import { stopsOf } from '../formats'
import { boundsOf, nearestPlace, type Path, type Point } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { shapeOf } from '../pattern'
import {
  arrange,
  drawPieces,
  edgeWords,
  grainStrokes,
  MARGIN_MM,
  notchNumbers,
  pageEdgesOf,
  ROLL_MM,
  roomOf,
  sheetFor,
  widthOfWords,
  type PlacedWords,
  type SheetPiece,
} from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
/** One of each sort of garment, and a small neckband. */
const SHOWN = ['demo-blouse', 'demo-tapered', 'demo-bather', 'demo-dress', 'demo-jacket', 'demo-tunic', 'demo-blouse-harbour']
const shown = projects
  .filter((p) => SHOWN.includes(p.id))
  .map((p) => {
    const context = contextOf(p.garment, p, wearers.find((w) => w.id === p.wearerId) ?? null, DEFAULT_TOLERANCES)
    const folded = foldPlan(p.garment, stopsOf(p), context)
    const words = {
      garmentName: p.name,
      wearerName: 'the Cook',
      sizeName: '4',
      date: '1 May 2026',
      changes: folded.stops.map((s) => s.words.title),
      ruler: 'in' as const,
    }
    return { name: p.name, garment: folded.garment, drawn: drawPieces(folded.garment, folded.garment.baseSizeId, words) }
  })

/** Points all over the letters of a line of words. */
function pointsIn(words: PlacedWords): Point[] {
  const { middle, along, halfMm, highMm } = roomOf(words)
  const up = { x: along.y, y: -along.x }
  return [-1, 0, 1].flatMap((v) =>
    Array.from({ length: 13 }, (_, i) => {
      const u = (i / 6 - 1) * halfMm
      return { x: middle.x + along.x * u + up.x * v * highMm, y: middle.y + along.y * u + up.y * v * highMm }
    }),
  )
}

/** The words of a piece that lie on a line or on other words, as they were printed. */
function onLines(d: SheetPiece): string[] {
  const lines: Path[] = [d.cutLine, d.seamLine, ...d.notches, ...d.folds, ...grainStrokes(d.grain), ...d.innerLines.map((l) => l.path)]
  const near = lines.map((line) => ({ line, box: boundsOf(line) }))
  const touches = (p: Point) =>
    near.some(
      ({ line, box }) =>
        !(p.x < box.minX - 1 || p.x > box.maxX + 1 || p.y < box.minY - 1 || p.y > box.maxY + 1) && nearestPlace(line, p).distanceMm <= 0.15,
    )
  const isIn = (other: PlacedWords, p: Point) => {
    const { middle, along, halfMm, highMm } = roomOf(other)
    const [u, v] = [(p.x - middle.x) * along.x + (p.y - middle.y) * along.y, (p.x - middle.x) * along.y - (p.y - middle.y) * along.x]
    return Math.abs(u) < halfMm - 0.01 && Math.abs(v) < highMm - 0.01
  }
  return d.words.flatMap((w) => {
    const points = pointsIn(w)
    const on = [
      ...(points.some(touches) ? ['a line'] : []),
      ...d.words.flatMap((o) => (o !== w && points.some((p) => isIn(o, p)) ? [o.text] : [])),
    ]
    return on.map((what) => `${d.piece.name}: “${w.text}” on ${what}`)
  })
}

describe.each(shown)('the words on the pieces of $name', ({ garment, drawn }) => {
  const whole = arrange(drawn, 1500)
  const { sheet, tiling } = sheetFor(drawn, { paper: 'a4', marginMm: MARGIN_MM, rollMm: ROLL_MM.usual })
  it('lie on no line and on no other words, on one sheet or on pages', () => {
    for (const d of [...whole.pieces, ...sheet.pieces]) expect(onLines(d)).toEqual([])
  })
  it('stand on one page, but for those that no page has room for', () => {
    const edges = pageEdgesOf(tiling)
    expect(edges.length).toBeGreaterThan(2)
    const cut = ({ words }: SheetPiece) =>
      words.filter((w) => edges.some((edge) => pointsIn(w).some((p) => nearestPlace(edge, p).distanceMm < w.sizeMm / 2)))
    const all = sheet.pieces.flatMap((d) => d.words)
    expect(sheet.pieces.flatMap(cut).length / all.length).toBeLessThan(0.05)
  })
  it('tell the name, the cut and the size of every piece, and nearly every edge with what it is sewn to', () => {
    let [edges, named] = [0, 0]
    for (const d of whole.pieces) {
      const told = d.words.map((w) => w.text).join(' ')
      for (const word of [d.piece.name, `cut ${d.piece.cut.count}`, 'size: 4', '1 May 2026', 'the Cook']) expect(told).toContain(word)
      for (const edge of d.piece.edges.filter((e) => e.role !== 'dart-leg' && !e.fold)) {
        edges += 1
        named += Number(told.includes(edgeWords(garment, d.piece, edge, 'in')))
      }
    }
    expect(named / edges).toBeGreaterThan(0.85)
  })
})

describe('notch numbers', () => {
  it('are the same on both sides of every seam', () => {
    for (const { garment } of shown) {
      const numbers = notchNumbers(garment)
      for (const seam of garment.seams)
        for (const pair of seam.marks) {
          const found = pair.flatMap((m) => ('notchId' in m ? [numbers.get(`${m.pieceId} ${m.notchId}`)] : []))
          expect(new Set(found).size).toBeLessThanOrEqual(1)
          expect(found).not.toContain(undefined)
        }
      expect(numbers.size).toBeGreaterThan(0)
    }
  })
})

describe('each piece as often as it is cut', () => {
  it('turns pairs over, opens folds and leaves nothing out', () => {
    const { garment } = shown.find((s) => s.name.includes('blouse'))!
    const words = { garmentName: 'B', wearerName: null, sizeName: '4', date: 'd', changes: [], ruler: 'cm' as const }
    const every = drawPieces(garment, garment.baseSizeId, words, { everyLayer: true }).drawings
    const layers = garment.pieces.reduce((sum, p) => sum + p.cut.count, 0)
    expect(every).toHaveLength(layers)
    expect(every.every((d) => d.folds.length === 0)).toBe(true)
    const front = garment.pieces.find((p) => p.kind === 'front')!
    const width = (path: Path) => Math.max(...path.map((s) => s.from.x)) - Math.min(...path.map((s) => s.from.x))
    const half = width(front.edges.flatMap((e) => [...shapeOf(front, garment.baseSizeId).edges[e.id]!]))
    expect(width(every.find((d) => d.piece.id === front.id)!.seamLine)).toBeCloseTo(2 * half, 3)
  })
})

it('a line of words is never wider than it was reckoned', () => {
  // Measured in the letters that are printed.
  expect(widthOfWords('mmmm', 10)).toBeGreaterThan(4 * 8.3)
  expect(widthOfWords('iiii', 10)).toBeGreaterThan(4 * 2.4)
})
