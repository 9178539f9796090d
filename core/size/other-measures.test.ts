import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { yokedBlouse } from '../../demo/test-garments'
import { finishedMeasures, NO_ZONING } from '../measure'
import { line, type Path } from '../geometry'
import { openOut } from '../moves'
import { edgePath, findPiece, shapeOf, type Garment } from '../pattern'
import { measureRow, otherMeasures } from './index'

const mmOf = (garment: Garment, id: string) => measureRow(garment, null, id)!.garmentMm

/** The blouse with a yoke, and a collar that is sewn to front and yoke in one. */
function withCollar(): Garment {
  const garment = yokedBlouse()
  const band = findPiece(draftBlouse(), 'neckband')!
  const sides = [
    [{ pieceId: 'neckband', edgeId: band.edges.find((e) => e.role === 'neck' || e.role === 'band')!.id, reversed: false }],
    [
      { pieceId: 'front', edgeId: 'neck', reversed: false },
      { pieceId: 'yoke', edgeId: 'neck', reversed: false },
    ],
  ] satisfies Garment['seams'][number]['sides']
  return {
    ...garment,
    pieces: [...garment.pieces, band],
    seams: [...garment.seams, { id: 'collar', name: 'collar', sides, wantedEase: { minMm: 0, maxMm: 0 }, marks: [] }],
  }
}

/** The front closing with buttons: so much reaches over the middle, which is drawn as a line. */
function buttoned(garment: Garment, overMm: number): Garment {
  const front = findPiece(garment, 'front')!
  const shape = shapeOf(front, 'one')
  const fold = front.edges.find((e) => e.fold)!
  const [at] = front.edges.filter((e) => e.role === 'neck')
  const neck = edgePath(shape, at!.id)
  const middle = edgePath(shape, fold.id)
  const [low, top] = [middle[0]!.from, middle[middle.length - 1]!.to]
  const isStart = Math.hypot(neck[0]!.from.x - top.x, neck[0]!.from.y - top.y) < 1e-6
  const hem = front.edges.find((e) => e.role === 'hem')!
  const hemPath = edgePath(shape, hem.id)
  const over = { x: -overMm, y: 0 }
  const beyond = (p: { x: number; y: number }) => ({ x: p.x + over.x, y: p.y + over.y })
  expect([isStart, top.x]).toEqual([true, expect.closeTo(0, 6)])
  const edges: Record<string, Path> = {
    ...shape.edges,
    [at!.id]: [line(beyond(top), top), ...neck],
    [fold.id]: [line(beyond(low), beyond(top))],
    [hem.id]: [...hemPath, line(low, beyond(low))],
  }
  const piece = {
    ...front,
    cut: { count: 2, mirrored: true },
    edges: front.edges.map((e) => (e.id === fold.id ? { ...e, fold: false, role: 'centre-front' as const, allowanceMm: 10 } : e)),
    lines: [...front.lines, { id: 'middle', name: 'centre front', role: 'centre' as const }],
    shapes: { one: { ...shape, edges, lines: { ...shape.lines, middle: [line(top, low)] } } },
  }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === 'front' ? piece : p)) }
}

describe('a neckline all round', () => {
  const plain = mmOf(draftBlouse(), 'neck')
  it('goes on over a yoke, also where one collar is sewn to front and yoke', () => {
    expect(mmOf(yokedBlouse(), 'neck')).toBeCloseTo(plain, 3)
    expect(mmOf(withCollar(), 'neck')).toBeCloseTo(plain, 3)
  })
  it('ends in the middle of the body, where buttons are sewn on beyond it', () => {
    for (const overMm of [0.5, 19, 60]) expect(mmOf(buttoned(withCollar(), overMm), 'neck')).toBeCloseTo(plain, 2)
  })
})

it('a neckline that is drawn whole, with the middle of the body on it, counts on both sides', () => {
  const whole = openOut(withCollar(), 'front', ['left', 'right'])
  const shape = shapeOf(findPiece(whole, 'front')!, 'one')
  const middle: Path = [line({ x: 0, y: 60 }, { x: 0, y: 500 })]
  const marked = {
    ...whole,
    pieces: whole.pieces.map((p) =>
      p.id === 'front'
        ? {
            ...p,
            lines: [...p.lines, { id: 'middle', name: 'centre front', role: 'centre' as const }],
            shapes: { one: { ...shape, lines: { ...shape.lines, middle } } },
          }
        : p,
    ),
  }
  expect(mmOf(marked, 'neck')).toBeCloseTo(mmOf(draftBlouse(), 'neck'), 2)
})

describe('a shoulder', () => {
  it('is that of the yoke, from the neck to the armhole', () => {
    const row = measureRow(withCollar(), null, 'shoulder')!
    expect(row.pieceId).toBe('yoke')
    const shape = shapeOf(findPiece(withCollar(), 'yoke')!, 'one')
    const [{ from, to }] = edgePath(shape, 'shoulder') as [Path[number]]
    expect(row.garmentMm).toBeCloseTo(Math.hypot(to.x - from.x, to.y - from.y), 6)
  })
})

describe('a garment that is cut twice, as its own lining', () => {
  it('measures round the body what it does in one layer', () => {
    const blouse = draftBlouse()
    const lined = { ...blouse, pieces: blouse.pieces.map((p) => ({ ...p, cut: { ...p.cut, count: 2 * p.cut.count } })) }
    expect(finishedMeasures(lined, 'one', NO_ZONING)).toEqual(finishedMeasures(blouse, 'one', NO_ZONING))
    expect(otherMeasures(lined, null)).toEqual(otherMeasures(blouse, null))
  })
  it('does so when its pieces are opened out for left and right, too', () => {
    const blouse = draftBlouse()
    const lined = { ...blouse, pieces: blouse.pieces.map((p) => ({ ...p, cut: { ...p.cut, count: 2 * p.cut.count } })) }
    const opened = ['front', 'back', 'sleeve'].reduce((g, id) => openOut(g, id, ['left', 'right']), lined)
    const was = finishedMeasures(blouse, 'one', NO_ZONING)
    for (const [i, { id, mm }] of finishedMeasures(opened, 'one', NO_ZONING).entries()) expect(mm, id).toBeCloseTo(was[i]!.mm, 3)
  })
})
