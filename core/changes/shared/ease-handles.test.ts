import { describe, expect, it } from 'vitest'
import { armholeFigures, begunOn, contextFor, done, isSleeved } from '../../../demo/test-kinds'
import { add, nearestPlace, scale } from '../../geometry'
import { findPiece, shapeOf } from '../../pattern'
import { armholeToCap } from '../armhole-to-cap'
import { capToArmhole } from '../cap-to-armhole'
import { handlesOf } from '../handles-of'

describe('the handles of a cap and an armhole that follow each other', () => {
  it.each([
    ['cap', capToArmhole],
    ['armhole', armholeToCap],
  ] as const)('sit on both halves of the %s, and dragged outward there is so much more ease in that half', (role, kind) => {
    for (const [name, garment, begun] of begunOn(kind as typeof capToArmhole, isSleeved)) {
      const context = contextFor(garment)
      const still = done(kind as typeof capToArmhole, garment, begun, context)
      const handles = handlesOf(kind, garment, begun as never, still as never, context)
      expect(handles.map((h) => h.id).sort(), name).toEqual(['back', 'front'])
      for (const handle of handles) {
        const piece = findPiece(garment, handle.pieceId)!
        const shape = shapeOf(piece, context.sizeId)
        const lines = piece.edges.filter((e) => e.role === role).map((e) => shape.edges[e.id]!)
        expect(Math.min(...lines.map((path) => nearestPlace(path, handle.at).distanceMm)), name).toBeLessThan(0.01)
        // Outward: on the one side of the line, away from the grainline.
        const grain = scale(add(shape.grain!.from, shape.grain!.to), 0.5)
        const off = (mm: number) => {
          const p = add(handle.at, scale(handle.axis, mm))
          return Math.hypot(p.x - grain.x, p.y - grain.y)
        }
        expect(off(5), name).toBeGreaterThan(off(-5))
        const half = handle.id as 'front' | 'back'
        const dragged = kind.drag(garment, begun as never, handle.id, 2, context)
        const after = done(kind as typeof capToArmhole, garment, dragged as never, context).garment
        const [was, is] = [armholeFigures(garment, context.sizeId), armholeFigures(after, context.sizeId)]
        expect(is.ease[half] - was.ease[half], `${name}, ${half}`).toBeCloseTo(2, 1)
        const other = half === 'front' ? 'back' : 'front'
        expect(is.ease[other] - was.ease[other], `${name}, ${other}`).toBeCloseTo(0, 1)
      }
    }
  })
})
