import { describe, expect, it } from 'vitest'
import { cubic, flattenPath, line, measureArea, measureLength, type Path, type Point } from '../geometry'
import { checkGarment, type Garment } from '../pattern'
import { bringIn } from './bring-in'
import { buildPiece, type PieceDraft } from './build-piece'
import { halveDraft } from './halve-draft'
import { proposeSeams } from './propose-seams'
import { readSvg } from '../formats'
import { makeDrafts } from './make-drafts'

const at = (x: number, y: number): Point => ({ x, y })
const edge = (role: PieceDraft['edges'][number]['role'], ...path: Path): PieceDraft['edges'][number] => ({
  path,
  role,
  fold: false,
  allowanceMm: 10,
})
const draftOf = (edges: PieceDraft['edges'], some: Partial<PieceDraft> = {}): PieceDraft => ({
  id: 'whole',
  name: 'Whole',
  kind: 'band',
  count: 1,
  mirrored: false,
  edges,
  allowanceIncluded: true,
  grain: { from: at(100, 20), to: at(300, 20) },
  notches: [],
  lines: [],
  sizeName: '',
  sizes: [],
  ...some,
})
/** A curved collar, 400 long, alike on both sides of x = 200. */
const collar = (some: Partial<PieceDraft> = {}, lean = 0) =>
  draftOf(
    [
      edge('band', cubic(at(0, 0), at(120, 30), at(280, 30), at(400, 0))),
      edge('band-end', line(at(400, 0), at(420 + lean, 70))),
      edge('band', cubic(at(420 + lean, 70), at(290, 105), at(110, 105), at(-20, 70))),
      edge('band-end', line(at(-20, 70), at(0, 0))),
    ],
    some,
  )
const outline = (d: PieceDraft) => d.edges.flatMap((e) => [...e.path])
const isClosed = (d: PieceDraft) =>
  d.edges.every((e, i) => {
    const [a, b] = [e.path.at(-1)!.to, d.edges[(i + 1) % d.edges.length]!.path[0]!.from]
    return Math.hypot(a.x - b.x, a.y - b.y) < 1e-6
  })

describe('half of a piece that is drawn whole', () => {
  it('is half as large, closed on its middle, with its new edge on the fold', () => {
    const half = halveDraft(collar())!
    expect(isClosed(half)).toBe(true)
    expect(measureArea(outline(half))).toBeCloseTo(measureArea(outline(collar())) / 2, 3)
    const folds = half.edges.filter((e) => e.fold)
    expect(folds).toHaveLength(1)
    expect(folds[0]).toMatchObject({ role: 'band-end', allowanceMm: 0 })
    for (const p of flattenPath(folds[0]!.path, 1)) expect(p.x).toBeCloseTo(200, 6)
    expect(half.edges.map((e) => e.role).filter((r) => r === 'band')).toHaveLength(2)
    const upper = (d: PieceDraft) => measureLength(d.edges.find((e) => e.role === 'band' && e.path[0]!.from.y < 40)!.path)
    expect(upper(half)).toBeCloseTo(upper(collar()) / 2, 3)
    expect(buildPiece(half, 'one').ok).toBe(true)
  })
  it('keeps the half with more notches, and what lies in it', () => {
    for (const side of [-1, 1]) {
      const x = 200 + side * 90
      const half = halveDraft(
        collar({
          notches: [at(x, 26), at(200, 22)],
          lines: [{ name: 'roll line', path: [line(at(10, 50), at(390, 50))] }],
          points: [
            { name: 'button', role: 'other', at: at(x, 60) },
            { name: 'other button', role: 'other', at: at(400 - x, 60) },
          ],
        }),
      )!
      expect(half.notches).toEqual([at(x, 26)])
      expect(half.points!.map((p) => p.name)).toEqual(['button'])
      expect(half.lines.map((l) => Math.round(measureLength(l.path)))).toEqual([190])
      for (const p of flattenPath(outline(half), 1)) expect(side * (p.x - 200)).toBeGreaterThan(-1e-6)
    }
  })
  it('is not offered where both sides differ, a fold is there, or sizes lie in each other', () => {
    expect(halveDraft(collar({}, 12))).toBeNull()
    expect(halveDraft(collar({ sizes: [{ name: '12', path: outline(collar()), pairs: {} }] }))).toBeNull()
    expect(halveDraft(halveDraft(collar())!)).toBeNull()
    expect(halveDraft(collar({ kind: 'back', grain: null }))).toBeNull()
  })
  it('of a back is taken along its grain', () => {
    const back = draftOf(
      [
        edge('neck', cubic(at(130, 20), at(170, 40), at(230, 40), at(270, 20))),
        edge('side', line(at(270, 20), at(400, 600))),
        edge('hem', line(at(400, 600), at(0, 600))),
        edge('side', line(at(0, 600), at(130, 20))),
      ],
      { kind: 'back', grain: { from: at(220, 100), to: at(220, 500) } },
    )
    const half = halveDraft(back)!
    expect(half.edges.find((e) => e.fold)!.role).toBe('centre-back')
    expect(half.edges.map((e) => e.role).sort()).toEqual(['centre-back', 'hem', 'neck', 'side'])
    expect(measureArea(outline(half))).toBeCloseTo(measureArea(outline(back)) / 2, 3)
  })
})

it('a waistband that is drawn whole is sewn to halves of a skirt once half of it is taken', () => {
  const skirt = (x: number, name: string) =>
    `<path d="M${x},100 L${x + 250},100 L${x + 310},650 L${x},660 Z"/><text x="${x + 70}" y="300" font-size="12" fill="black" stroke="none">${name}, cut 1 on the fold</text><path d="M${x + 50},200 V500 M${x + 45},210 L${x + 50},200 L${x + 55},210"/>`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1400mm" height="900mm" viewBox="0 0 1400 900" fill="none" stroke="black">${skirt(20, 'Skirt front')}${skirt(420, 'Skirt back')}
  <path d="M20,750 H1000 V820 H20 Z"/><text x="200" y="790" font-size="12" fill="black" stroke="none">Waistband, cut 1</text><path d="M60,800 H500 M70,795 L60,800 L70,805"/></svg>`
  const read = readSvg(svg)
  if (!read.ok) throw new Error(read.problem.message)
  const brought = bringIn(read.value)
  const drafts = makeDrafts(read.value, 1)
  if (!brought.ok || !drafts.ok) throw new Error('it does not come in')
  const { garment } = brought.value
  const waist = (g: Garment) => proposeSeams(g).filter((s) => s.name === 'waist seam')
  expect(waist(garment)).toEqual([])
  const band = halveDraft(drafts.value.find((d) => d.draft.name === 'Waistband')!.draft)!
  const built = buildPiece(band, garment.baseSizeId)
  if (!built.ok) throw new Error(built.problem.message)
  const halved = { ...garment, pieces: garment.pieces.map((p) => (p.id === band.id ? built.value : p)) }
  expect(checkGarment(halved)).toBeNull()
  expect(waist(halved).map((s) => s.sides.map((side) => side.length))).toEqual([[1, 2]])
})
