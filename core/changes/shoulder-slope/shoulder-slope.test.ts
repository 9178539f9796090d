import { describe, expect, it } from 'vitest'
import { dot, type Point } from '../../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment } from '../../pattern'
import { findArmholes, HALVES, runLength, shoulderAbove } from '../../seams'
import { begunOn, tried } from '../../../demo/test-kinds'
import { shoulderSlope } from './index'

/** The tip of a half's shoulder in a size, and the direction of its grain. */
function tipOf(garment: Garment, like: Garment, half: 'front' | 'back', sizeId: string): { tip: Point; down: Point } {
  const { piece, armhole } = shoulderAbove(like, findArmholes(like)[0]![half], 'one')
  const shape = shapeOf(findPiece(garment, piece.id)!, sizeId)
  const first = armhole[0]!
  const path = edgePath(shape, first.edgeId)
  return { tip: first.reversed ? path[path.length - 1]!.to : path[0]!.from, down: grainDirection(shape) }
}

describe('a squarer or more sloping shoulder', () => {
  it.each(begunOn(shoulderSlope))(
    '%s: its end goes up or down by so much, the seam and a kept armhole stay as long',
    (_, garment, begun) => {
      let worked = 0
      for (const amountMm of [7, -5]) {
        const applied = tried(shoulderSlope, garment, { ...begun, amountMm, armhole: 'kept' })
        if (!applied) continue
        worked++
        for (const { id: sizeId } of garment.sizes)
          for (const half of HALVES) {
            const [was, is] = [garment, applied.garment].map((g) => tipOf(g, garment, half, sizeId))
            expect(dot(was!.tip, was!.down) - dot(is!.tip, was!.down), `${half} ${sizeId}`).toBeCloseTo(amountMm, 2)
            const seam = shoulderAbove(garment, findArmholes(garment)[0]![half], 'one').shoulder.filter((r) => !r.isLeg)
            expect(Math.abs(runLength(applied.garment, seam, sizeId) - runLength(garment, seam, sizeId))).toBeLessThan(0.05)
            const hole = findArmholes(garment)[0]![half]
            expect(Math.abs(runLength(applied.garment, hole, sizeId) - runLength(garment, hole, sizeId)), half).toBeLessThan(0.1)
          }
      }
      expect(worked).toBeGreaterThan(0)
    },
  )
  it.each(begunOn(shoulderSlope))('%s: where the armhole may grow, the side seam stays', (_, garment, begun) => {
    const applied = tried(shoulderSlope, garment, { ...begun, amountMm: 6, armhole: 'grows' })
    if (!applied) return
    for (const piece of garment.pieces)
      for (const e of piece.edges.filter((x) => x.role === 'side'))
        expect(edgePath(shapeOf(findPiece(applied.garment, piece.id)!, garment.baseSizeId), e.id)).toEqual(
          edgePath(shapeOf(piece, garment.baseSizeId), e.id),
        )
    for (const half of HALVES) {
      const hole = findArmholes(garment)[0]![half]
      expect(runLength(applied.garment, hole, garment.baseSizeId)).toBeGreaterThan(runLength(garment, hole, garment.baseSizeId))
    }
  })
})
