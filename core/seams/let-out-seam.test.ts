import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftJacket } from '../../demo/jacket'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { distance, measureLength, alongGrain } from '../geometry'

import { edgePath, findPiece, grainDirection, shapeOf, type Garment } from '../pattern'
import { edgeDown, lengthOfSide, letOutSeam, placeOnSeam, shareAt, sidesOfSeam } from './index'

const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['trousers', draftTrousers(TAPERED)],
  ['jacket', draftJacket()],
]
const lengthOf = (g: Garment, pieceId: string, edgeId: string) => measureLength(edgePath(shapeOf(findPiece(g, pieceId)!, 'one'), edgeId))

describe('the part of a pin’s depth along its stretch', () => {
  const stretch = { atMm: 100, aboveMm: 60, belowMm: 120 }
  it('is whole where it is deepest, nothing where it runs out, half on the way, and never more', () => {
    expect([100, 40, 220, 20, 260].map((mm) => shareAt(stretch, mm))).toEqual([1, 0, 0, 0, 0])
    expect(shareAt(stretch, 70)).toBeCloseTo(0.5, 9)
    expect(shareAt(stretch, 160)).toBeCloseTo(0.5, 9)
    for (let mm = 0; mm < 300; mm++) expect(shareAt(stretch, mm)).toBeLessThanOrEqual(1)
  })
  it('without a way above is whole at its place alone', () => {
    expect([0, 0.1, 60].map((mm) => shareAt({ atMm: 0, aboveMm: 0, belowMm: 120 }, mm)).map((s) => s > 0)).toEqual([true, true, true])
    expect(shareAt({ atMm: 50, aboveMm: 0, belowMm: 10 }, 49)).toBe(0)
  })
})

describe.each(GARMENTS)('the seams of the %s', (_, garment) => {
  it('are walked from their upper end down, both sides from the same end', () => {
    for (const seam of garment.seams) {
      const run = seam.sides[0][0]!
      const sides = sidesOfSeam(garment, run.pieceId, run.edgeId, 'one')
      const level = (mm: number) => {
        const { pieceId, point } = placeOnSeam(garment, sides[0]!, mm, 'one')
        return { pieceId, along: alongGrain(point, grainDirection(shapeOf(findPiece(garment, pieceId)!, 'one'))) }
      }
      const [top, bottom] = [level(0), level(lengthOfSide(garment, sides[0]!, 'one'))]
      if (top.pieceId === bottom.pieceId) expect(top.along, seam.name).toBeLessThanOrEqual(bottom.along + 1e-6)
      const ids = (side: (typeof sides)[number]) => side.map((r) => `${r.pieceId} ${r.edgeId}`).sort()
      expect(sides.map(ids).sort()).toEqual(seam.sides.map((s) => s.map((r) => `${r.pieceId} ${r.edgeId}`).sort()).sort())
    }
  })
  it('are as long as their edges, and every place lies on its piece’s outline, its way out square to it', () => {
    for (const seam of garment.seams) {
      const run = seam.sides[0][0]!
      for (const side of sidesOfSeam(garment, run.pieceId, run.edgeId, 'one')) {
        const total = lengthOfSide(garment, side, 'one')
        expect(total).toBeCloseTo(
          side.reduce((sum, r) => sum + lengthOf(garment, r.pieceId, r.edgeId), 0),
          9,
        )
        const { out } = placeOnSeam(garment, side, total / 3, 'one')
        expect(Math.hypot(out.x, out.y)).toBeCloseTo(1, 9)
      }
    }
  })
})

describe('letting out', () => {
  const garment = draftTrousers(TAPERED)
  const sides = sidesOfSeam(garment, 'front', 'inseam', 'one')
  it('by nothing gives the garment itself', () => {
    expect(letOutSeam(garment, sides, { atMm: 200, aboveMm: 90, belowMm: 90, mm: 0 }, 'one')).toBe(garment)
  })
  it('moves each edge out of its own piece by the amount, and keeps the corners that it does not reach', () => {
    const after = letOutSeam(garment, sides, { atMm: 200, aboveMm: 90, belowMm: 90, mm: 6 }, 'one')
    sides.forEach((side) => {
      const was = placeOnSeam(garment, side, 200, 'one')
      const wanted = { x: was.point.x + 6 * was.out.x, y: was.point.y + 6 * was.out.y }
      const path = edgePath(shapeOf(findPiece(after, was.pieceId)!, 'one'), 'inseam')
      expect(Math.min(...path.map((s) => distance(s.to, wanted)))).toBeLessThan(0.01)
      for (const end of ['crotch', 'opening'])
        expect(shapeOf(findPiece(after, was.pieceId)!, 'one').edges[end]).toEqual(
          shapeOf(findPiece(garment, was.pieceId)!, 'one').edges[end],
        )
    })
  })
  it('an edge by itself is walked down as well', () => {
    const side = edgeDown(garment, 'back', 'crotch', 'one')
    const [top, bottom] = [0, lengthOfSide(garment, side, 'one')].map((mm) => placeOnSeam(garment, side, mm, 'one').point)
    expect(alongGrain(top!, grainDirection(shapeOf(findPiece(garment, 'back')!, 'one')))).toBeLessThan(
      alongGrain(bottom!, grainDirection(shapeOf(findPiece(garment, 'back')!, 'one'))),
    )
  })
})
