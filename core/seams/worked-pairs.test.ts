import { describe, expect, it } from 'vitest'
import { distance, line, measureLength, type Path, type Point } from '../geometry'
import { shapeOf, type Garment, type Piece } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import { roundToRuler } from '../units'
import { shareByWidth } from '../changes/bicep-width/apply'
import { moveShoulder } from './move-shoulder'
import { moveUnderarm, NO_UNDERARM_MOVE } from './move-underarm'
import type { BicepPiece } from './bicep-pieces'
import { openBicep } from './open-bicep'

const DEG = 180 / Math.PI
const at = (x: number, y: number): Point => ({ x, y })
const withEdge = (piece: Piece, edgeId: string, path: Path): Piece => ({
  ...piece,
  shapes: { one: { ...piece.shapes.one!, edges: { ...piece.shapes.one!.edges, [edgeId]: path } } },
})
const mm = (garment: Garment, pieceId: string, edgeId: string) =>
  measureLength(
    shapeOf(
      garment.pieces.find((p) => p.id === pieceId)!,
      'one',
    ).edges[edgeId]!,
  )
const firstOf = (garment: Garment, pieceId: string, edgeId: string) =>
  shapeOf(
    garment.pieces.find((p) => p.id === pieceId)!,
    'one',
  ).edges[edgeId]![0]!.from

/** The straight-edged front of the worked cases; its armhole has two stretches. */
const front = withEdge(
  polygonPiece(
    'front',
    'front',
    [at(0, 90), at(78, 0), at(192, 38), at(232, 232), at(205, 415), at(0, 415)],
    ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-front'],
    { fold: 5 },
  ),
  'e2',
  [line(at(192, 38), at(200, 158)), line(at(200, 158), at(232, 232))],
)
/** And the back: from its armhole’s corner on it runs to an underarm of its own. */
const back = withEdge(
  polygonPiece(
    'back',
    'back',
    [at(0, 20), at(70, 0), at(190, 44), at(226, 232), at(205, 415), at(0, 415)],
    ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-back'],
    { fold: 5 },
  ),
  'e2',
  [line(at(190, 44), at(196, 150)), line(at(196, 150), at(226, 232))],
)
const half = (pieceId: string) => [{ pieceId, edgeId: 'e2', reversed: false }]

describe('worked cases of pairs', () => {
  it('15: a bicep’s need by the widths of two pieces, and on a ruler', () => {
    const shares = shareByWidth(31, [214, 152])
    expect(shares[0]).toBeCloseTo(18.126, 3)
    expect(shares[1]).toBeCloseTo(12.874, 3)
    const eighths = roundToRuler(shares, 25.4 / 8)
    expect(eighths.reduce((a, b) => a + b, 0)).toBeCloseTo(Math.round(31 / (25.4 / 8)) * (25.4 / 8), 9)
  })

  it('18: forward shoulder 14, front', () => {
    const done = moveShoulder(garmentOf([front]), half('front'), 'one', { growMm: -14, acrossMm: 0 })
    if (!done.ok) throw new Error(done.problem.message)
    const tip = firstOf(done.value, 'front', 'e2')
    expect([tip.x, tip.y]).toEqual([expect.closeTo(186.015, 2), expect.closeTo(52.658, 2)])
    expect(mm(done.value, 'front', 'e1')).toBeCloseTo(120.167, 3)
    expect(distance(tip, at(200, 158))).toBeCloseTo(106.266, 2)
  })

  it('18: forward shoulder 14, back', () => {
    const done = moveShoulder(garmentOf([back]), half('back'), 'one', { growMm: 14, acrossMm: 0 })
    if (!done.ok) throw new Error(done.problem.message)
    const tip = firstOf(done.value, 'back', 'e2')
    expect([tip.x, tip.y]).toEqual([expect.closeTo(194.28, 2), expect.closeTo(29.843, 2)])
    expect(mm(done.value, 'back', 'e1')).toBeCloseTo(127.812, 3)
    expect(distance(tip, at(196, 150))).toBeCloseTo(120.17, 2)
  })

  it('19: the armhole 7.1 longer by lowering it', () => {
    const before = garmentOf([front])
    const done = moveUnderarm(before, half('front'), 'one', { ...NO_UNDERARM_MOVE, downMm: 8.226 })!
    expect(mm(done, 'front', 'e2') - mm(before, 'front', 'e2')).toBeCloseTo(7.1, 2)
    const corner = firstOf(done, 'front', 'e3')
    expect([corner.x, corner.y]).toEqual([expect.closeTo(230.799, 2), expect.closeTo(240.138, 2)])
    expect(mm(before, 'front', 'e3') - mm(done, 'front', 'e3')).toBeCloseTo(8.226, 3)
  })

  it('20: fuller bicep 30, one piece', () => {
    const sleeve = withEdge(
      polygonPiece('sleeve', 'sleeve', [at(-165, 0), at(165, 0), at(150, 430), at(-150, 430)], ['cap', 'underarm', 'hem', 'underarm']),
      'e0',
      [line(at(-165, 0), at(0, -140)), line(at(0, -140), at(165, 0))],
    )
    const before = garmentOf([sleeve])
    const seamMm = mm(before, 'sleeve', 'e3')
    const bicep: BicepPiece = {
      piece: sleeve,
      parts: [
        { pieceId: 'sleeve', runs: [{ pieceId: 'sleeve', edgeId: 'e0', reversed: false }], fromMm: 0, toMm: mm(before, 'sleeve', 'e0') },
      ],
      line: { first: { edgeId: 'e3', atMm: seamMm, point: at(-165, 0) }, last: { edgeId: 'e1', atMm: 0, point: at(165, 0) } },
      widthMm: 330,
    }
    const done = openBicep(before, 'one', bicep, 30)
    if (!done.ok) throw new Error(done.problem.message)
    const { opened, garment } = done.value
    expect(opened.openMm).toBeCloseTo(30, 6)
    expect(opened.swingRad * DEG).toBeCloseTo(1.999, 3)
    expect(opened.capRad * DEG).toBeCloseTo(5.2105, 3)
    expect(mm(garment, 'sleeve', 'e0') - mm(before, 'sleeve', 'e0')).toBeCloseTo(14.632, 2)
    expect(Math.abs(mm(garment, 'sleeve', 'e2') - 300)).toBeLessThan(0.05)
    expect(mm(garment, 'sleeve', 'e1')).toBeCloseTo(seamMm, 6)
  })
})
