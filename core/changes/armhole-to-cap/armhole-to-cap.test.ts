import { describe, expect, it } from 'vitest'
import { HALVES } from '../../seams'
import { findPiece } from '../../pattern'
import { armholeFigures, begunOn, changedBy, contextFor, done, isSleeved, tried } from '../../../demo/test-kinds'
import { armholeToCap } from './index'

describe('an armhole that follows its cap', () => {
  it.each(begunOn(armholeToCap, isSleeved))(
    '%s: gives the ease as bought, lowered or led out; the sleeve is not touched',
    (_, garment, begun) => {
      const off = changedBy('bicep-width', garment, { amountMm: 18, armhole: 'stays' })
      for (const way of ['lower', 'out'] as const) {
        const applied = tried(armholeToCap, off, { ...begun, way, frontMm: 0, backMm: 0 }, { ...contextFor(off), bought: garment })
        if (!applied) continue
        for (const { id: sizeId } of garment.sizes) {
          const [bought, is, was] = [garment, applied.garment, off].map((g) => armholeFigures(g, sizeId))
          for (const half of HALVES) {
            expect(is!.cap[half]).toBeCloseTo(was!.cap[half], 6)
            expect(Math.abs(is!.ease[half] - bought!.ease[half]), `${way}, ${half}, ${sizeId}`).toBeLessThan(0.3)
          }
        }
        // Its marks go along the cap to where they meet; its lines lie where they were.
        for (const piece of off.pieces.filter((p) => p.kind === 'sleeve'))
          for (const { id } of garment.sizes)
            expect(findPiece(applied.garment, piece.id)!.shapes[id]!.edges).toEqual(piece.shapes[id]!.edges)
      }
    },
  )
  it.each(begunOn(armholeToCap, isSleeved))('%s: with nothing to settle it stays as it is', (_, garment, begun) => {
    const { garment: after } = done(armholeToCap, garment, { ...begun, frontMm: 0, backMm: 0 })
    const [was, is] = [armholeFigures(garment, garment.baseSizeId), armholeFigures(after, garment.baseSizeId)]
    for (const half of HALVES) expect(Math.abs(is.armhole[half] - was.armhole[half])).toBeLessThan(0.1)
  })
})
